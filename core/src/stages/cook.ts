import { EGG_SAFE_C } from '../constants/safety-limits.js';
import { GOODS } from '../materials/kitchen-goods.js';
import { totalG } from '../materials/composition.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import { massesOfGoods } from '../materials/goods.js';
import { CAUTIONS } from './cautions.js';
import type { StageKind } from './kind.js';
import { coveredPot, passTime, volumeMl } from './pass-time.js';
import { catchBranches } from './heat.js';
import { warmthGauge, type Branch, type Gauge, type Seen } from './watch.js';
import { sayMass, sayTemp } from './words.js';

export interface CookParams {
  readonly targetC: number;
  /** Each in percent of the curd. */
  readonly butterPct: number;
  readonly milkPct: number;
  readonly eggPct: number;
  readonly saltPct: number;
}

/** A low flame: share of the hob's power, as it scorches. */
const LOW_FLAME = 0.35;

/** Curd melted over a low flame with butter, milk, egg and salt, stirred all the while. */
export const cook: StageKind<CookParams> = {
  kind: 'cook',
  defaults: { targetC: 80, butterPct: 8, milkPct: 15, eggPct: 6, saltPct: 1.2 },
  name: () => 'melt',
  begins: () => 'Start melting',
  over: () => 'It has melted',
  instruction: (params, before) => {
    const list = partsOf(params, before).map(({ goods, massG }) => `${sayMass(massG)} ${goods.name.toLowerCase()}`);
    return `Over a low flame melt the curd with ${list.join(', ')}; stir along the bottom until it is one smooth mass at ${sayTemp(params.targetC)}. It scorches.`;
  },
  handsMin: () => 20,
  attended: true,
  gear: () => ['pan', 'hob', 'thermometer'],
  endsBy: 'temperature',
  target: (params) => params.targetC,
  weighIn: (params, before) =>
    partsOf(params, before).map(({ goods, massG, pricedAs }) => ({
      what: goods.name,
      massG,
      gPerMl: goods.gPerMl,
      pricedAs,
    })),
  begin: (state, params) =>
    withCurd(
      partsOf(params, state).reduce((crock, { goods, massG }) => pourIn(crock, massesOfGoods(goods, massG)), state),
      { body: 'melt', draining: null },
    ),
  advance: (state, _params, environment, minutes) => {
    const { kitchen } = environment;
    const heatW = kitchen.hobW * kitchen.hobEfficiency * LOW_FLAME * Math.min(1, totalG(state.masses) / 1500);
    return passTime(state, environment, coveredPot(volumeMl(state), environment), heatW, minutes);
  },
  done: (state, params) => state.tempC >= params.targetC,
  stepMin: 1,
  slack: () => ({
    earlyMin: 0,
    lateMin: 5,
    cost: 'Longer dries it and it catches; never short of its heat with egg in it.',
  }),
  endCue: (params) => `One smooth mass that draws threads; the thermometer shows ${sayTemp(params.targetC)}.`,
  cues: [
    { cue: 'bottom', ask: 'Does the bottom catch?', answers: ['clean', 'a film', 'scorched'] },
    { cue: 'melt', ask: 'How does it run?', answers: ['grainy', 'lumpy', 'smooth'] },
  ],
  watch: (params, seen) => [
    warmthGauge(seen, params.targetC),
    ...(params.eggPct > 0 ? [eggGauge(seen)] : []),
    { what: 'Acidity', unit: 'pH' as const, planned: null, now: seen.here.ph },
  ],
  branches: (params, seen) => [...catchBranches(seen), ...eggBranches(params, seen)],
  cautions: (params) => [CAUTIONS.hot, ...(params.eggPct > 0 ? [CAUTIONS.egg, CAUTIONS.allergenEgg] : [])],
  problems: (params) =>
    params.eggPct > 0 && params.targetC < EGG_SAFE_C
      ? [
          {
            field: 'cookC',
            message: `With egg in it ${sayTemp(params.targetC)} is not enough.`,
            remedy: `Bring it to ${EGG_SAFE_C} °C or more all through, or leave the egg out.`,
            works: { cookC: EGG_SAFE_C },
          },
        ]
      : [],
};

function partsOf(params: CookParams, before: CrockState) {
  const curdG = totalG(before.masses);
  const parts = [
    { goods: GOODS.butter, massG: (curdG * params.butterPct) / 100, pricedAs: 'butter' as const },
    { goods: GOODS.milk, massG: (curdG * params.milkPct) / 100, pricedAs: 'milk' as const },
    { goods: GOODS.egg, massG: (curdG * params.eggPct) / 100, pricedAs: 'egg' as const },
    { goods: GOODS.salt, massG: (curdG * params.saltPct) / 100, pricedAs: 'own' as const },
  ];
  return parts.filter((part) => part.massG > 0.05);
}

/** Whether the egg in it has been hot enough. */
function eggGauge({ here }: Seen): Gauge {
  const safe = here.peakC >= EGG_SAFE_C;
  return {
    what: 'Egg',
    unit: '',
    planned: `${EGG_SAFE_C} °C all through`,
    now: safe ? 'cooked' : 'raw',
    tone: safe ? 'good' : 'watch',
  };
}

/** Somebody who takes it off short of the egg's heat is told. */
function eggBranches({ eggPct }: CookParams, { here, looks, over }: Seen): Branch[] {
  if (over || eggPct === 0 || looks['melt'] !== 'smooth' || here.peakC >= EGG_SAFE_C) return [];
  return [
    {
      id: 'egg',
      offer: `Keep it on the flame until the thermometer shows ${sayTemp(EGG_SAFE_C)}`,
      because: `It is smooth, and only at ${sayTemp(here.tempC)}: the egg in it is not cooked.`,
      grave: true,
      does: { do: 'leave', note: 'Kept it on the flame for the egg.' },
    },
  ];
}
