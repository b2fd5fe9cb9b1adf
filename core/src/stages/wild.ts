import { say } from '../messages/message.js';
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
export const wild: StageKind<WildParams, 'wild'> = {
  kind: 'wild',
  defaults: { culture: 'clabber' },
  name: () => say('stages.wild.byItself'),
  begins: () => say('stages.wild.leaveItself'),
  over: () => say('stages.wild.itIsCovered'),
  instruction: () => say('stages.wild.strainMilkThroughScalded'),
  ...handsWork(TAKES_MIN),
  gear: () => ['cloth', 'jar'],
  begin: (state, params, { member }) => {
    const lagQ = CULTURES[params.culture].lagQFreezeDried * member.lag;
    const living = { culture: params.culture, biomass: WILD_BIOMASS * member.activity, lagQ };
    const prior = { deadChance: DEAD_CHANCE.tired, paceSd: PACE_SD.wild };
    return sown(state, { living: [living], lacticMolPerKg: 0, prior }, member);
  },
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: say('stages.wild.beginsItselfEitherWay') }),
  endCue: () => say('stages.wild.strainedCoveredCloth'),
  cues: [],
  cautions: () => [CAUTIONS.clean, CAUTIONS.wild],
  problems: (_params, state) =>
    state.pasteurisedShare >= 1
      ? [
          {
            field: 'seeding',
            message: say('stages.wild.heatedMilkNothingLeft'),
            remedy: say('stages.wild.seedSpoonLastClabber'),
            works: { seeding: 'mesophilic' },
          },
        ]
      : [],
};
