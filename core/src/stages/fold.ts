import { say } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { totalG } from '../materials/composition.js';
import { FLAVOURS, type Flavour, type FlavourId } from '../materials/flavours.js';
import { massesOfGoods } from '../materials/goods.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

export interface FoldParams {
  readonly flavour: FlavourId;
  /** Percent of the product. */
  readonly flavourPct: number;
}

const TAKES_MIN = 6;

/** Garlic, herbs, honey and such folded into what is finished: they weigh, salt, sweeten, and may shorten its life. */
export const fold: StageKind<FoldParams, 'fold'> = {
  kind: 'fold',
  defaults: { flavour: 'herbs', flavourPct: 2 },
  name: () => say('stages.fold.foldIn'),
  begins: () => say('stages.fold.startFolding'),
  over: () => say('stages.fold.itIsFoldedIn'),
  instruction: (params, before) =>
    say('stages.fold.foldThrough', { mass: mass(flavourG(before, params)), what: FLAVOURS[params.flavour].name }),
  ...handsWork(TAKES_MIN),
  gear: () => ['bowl'],
  weighIn: (params, before) => [
    {
      what: FLAVOURS[params.flavour].name,
      massG: flavourG(before, params),
      gPerMl: FLAVOURS[params.flavour].gPerMl,
      pricedAs: 'own',
    },
  ],
  begin: (state, params) => {
    const flavour: Flavour = FLAVOURS[params.flavour];
    const folded = pourIn(state, massesOfGoods(flavour, flavourG(state, params)));
    return withCurd(folded, { keepsMostDays: flavour.mostDays });
  },
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: say('stages.fold.coldFoldsUnevenly') }),
  endCue: () => say('stages.fold.evenAllThrough'),
  cues: [{ cue: 'texture', ask: say('stages.fold.howTongue'), answers: ['smooth', 'grainy', 'stringy'] }],
  watch: (params, { begun }) => [
    {
      what: FLAVOURS[params.flavour].name,
      unit: 'g',
      planned: flavourG(begun, params),
      now: say('stages.fold.weighIt'),
    },
  ],
  cautions: ({ flavour }) => {
    const { mostDays, ...more }: Flavour = FLAVOURS[flavour];
    return [
      ...(mostDays !== null && mostDays <= FRESH_DAYS ? [CAUTIONS.freshInFat] : []),
      ...(more.isNuts ? [CAUTIONS.allergenTreeNuts] : []),
    ];
  },
  problems: () => [],
};

/** What shortens a life to as many days, or fewer, is fresh. */
const FRESH_DAYS = 7;

const flavourG = ({ masses }: CrockState, { flavourPct }: FoldParams) => (totalG(masses) * flavourPct) / 100;
