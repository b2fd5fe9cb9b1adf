import { say } from '../messages/message.js';
import { mass, percent } from '../messages/quantity.js';
import { totalG } from '../materials/composition.js';
import { FLAVOURS, type Flavour, type FlavourId } from '../materials/flavours.js';
import { massesOfGoods } from '../materials/goods.js';
import type { Goods } from '../materials/kitchen-goods.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

export interface FoldParams {
  readonly flavour: FlavourId;
  /** Percent of the product. */
  readonly flavourPct: number;
  /** What its own label says of it, percent by mass; 0 = as it usually is. */
  readonly saltPct: number;
  readonly fatPct: number;
  readonly waterPct: number;
  /** Nuts are in it. */
  readonly nuts: 'yes' | 'no';
}

const TAKES_MIN = 6;

/** Garlic, herbs, honey and such folded into what is finished: they weigh, salt, sweeten, and may shorten its life. */
export const fold: StageKind<FoldParams, 'fold'> = {
  kind: 'fold',
  defaults: { flavour: 'herbs', flavourPct: 2, saltPct: 0, fatPct: 0, waterPct: 0, nuts: 'no' },
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
      pricedAs: 'flavour',
      outOf: 'flavour',
    },
  ],
  begin: (state, params) => {
    const flavour: Flavour = FLAVOURS[params.flavour];
    const folded = pourIn(state, massesOfGoods(asLabelled(params), flavourG(state, params)));
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
  cautions: ({ flavour, nuts }) => {
    const { mostDays, ...more }: Flavour = FLAVOURS[flavour];
    return [
      ...(mostDays !== null && mostDays <= FRESH_DAYS ? [CAUTIONS.freshInFat] : []),
      ...(more.isNuts || nuts === 'yes' ? [CAUTIONS.allergenTreeNuts] : []),
    ];
  },
  problems: ({ saltPct, fatPct, waterPct }) =>
    saltPct + fatPct + waterPct <= 100
      ? []
      : [
          {
            field: 'flavourWaterPct',
            message: say('stages.fold.moreThanWhole', { sum: percent(saltPct + fatPct + waterPct, 0) }),
            remedy: say('stages.fold.lookAtLabel'),
            works: { flavourWaterPct: Math.max(0, Math.floor(100 - saltPct - fatPct)) },
          },
        ],
};

/** What shortens a life to as many days, or fewer, is fresh. */
const FRESH_DAYS = 7;

/** A flavour with what its own label says put in: what is left over of 100 g is what it usually is besides, sugar or other solids. */
function asLabelled({ flavour, saltPct, fatPct, waterPct }: FoldParams): Goods {
  const usual: Flavour = FLAVOURS[flavour];
  const said = {
    ...(saltPct > 0 && { salt: saltPct }),
    ...(fatPct > 0 && { fat: fatPct }),
    ...(waterPct > 0 && { water: waterPct }),
  };
  if (Object.keys(said).length === 0) return usual;
  const rest = Object.entries(usual.pct).filter(([component]) => !(component in said));
  const left = Math.max(0, 100 - sumOf(Object.values(said)));
  const usualRest = sumOf(rest.map(([, pct]) => pct));
  const share = usualRest > 0 ? left / usualRest : 0;
  return {
    ...usual,
    pct: { ...said, ...Object.fromEntries(rest.map(([component, pct]) => [component, pct * share])) },
  };
}

const sumOf = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0);

const flavourG = ({ masses }: CrockState, { flavourPct }: FoldParams) => (totalG(masses) * flavourPct) / 100;
