import { CULTURES, WILD_BIOMASS, type CultureId } from '../constants/cultures.js';
import { DEAD_CHANCE, PACE_SD } from '../constants/starter.js';
import type { StageKind } from './kind.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import { sown } from './sowing.js';

export interface WildParams {
  readonly culture: CultureId;
}

const TAKES_MIN = 5;

/** Milk left to what lives in it. */
export const wild: StageKind<WildParams> = {
  kind: 'wild',
  defaults: { culture: 'clabber' },
  name: () => 'by itself',
  begins: () => 'Leave it to itself',
  over: () => 'It is covered',
  instruction: () => 'Strain the milk through a scalded cloth into a scalded jar and leave it to what lives in it.',
  ...handsWork(TAKES_MIN),
  gear: () => ['cloth', 'jar'],
  begin: (state, params, { member }) => {
    const lagQ = CULTURES[params.culture].lagQFreezeDried * member.lag;
    const living = { culture: params.culture, biomass: WILD_BIOMASS * member.activity, lagQ };
    const prior = { deadChance: DEAD_CHANCE.tired, paceSd: PACE_SD.wild };
    return sown(state, { living: [living], lacticMolPerKg: 0, prior }, member);
  },
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: 'It begins by itself either way.' }),
  endCue: () => 'It is strained and covered with a cloth.',
  cues: [],
  cautions: () => [CAUTIONS.clean, CAUTIONS.wild],
  problems: (_params, state) =>
    state.pasteurisedShare >= 1
      ? [
          {
            field: 'seeding',
            message: 'Heated milk has nothing left in it to sour it: it would spoil instead.',
            remedy: 'Seed it with a spoon of the last clabber or of live buttermilk.',
            works: { seeding: 'mesophilic' },
          },
        ]
      : [],
};
