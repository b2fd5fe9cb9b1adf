import { say, listOf } from '../messages/message.js';
import { temp, mass } from '../messages/quantity.js';
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
export const cook: StageKind<CookParams, 'cook'> = {
  kind: 'cook',
  defaults: { targetC: 80, butterPct: 8, milkPct: 15, eggPct: 6, saltPct: 1.2 },
  name: () => say('stages.cook.melt'),
  begins: () => say('stages.cook.startMelting'),
  over: () => say('stages.cook.itHasMelted'),
  instruction: (params, before) => {
    const list = partsOf(params, before).map(({ goods, massG }) =>
      say('stages.cook.part', { mass: mass(massG), name: goods.name }),
    );
    const does = say('stages.cook.overLowFlameMelt', { list: listOf(list, 'comma'), target: temp(params.targetC) });
    return params.eggPct > 0 ? say('stages.cook.temperEgg', { does }) : does;
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
    cost: say('stages.cook.longerDriesCatchesNever'),
  }),
  endCue: (params) => say('stages.cook.oneSmoothMassDraws', { target: temp(params.targetC) }),
  cues: [
    { cue: 'bottom', ask: say('stages.cook.doesBottomCatch'), answers: ['clean', 'a-film', 'scorched'] },
    { cue: 'melt', ask: say('stages.cook.howDoesRun'), answers: ['grainy', 'lumpy', 'smooth'] },
  ],
  watch: (params, seen) => [
    warmthGauge(seen, params.targetC),
    ...(params.eggPct > 0 ? [eggGauge(seen)] : []),
    { what: say('stages.cook.acidity'), unit: 'pH' as const, planned: null, now: seen.here.ph },
  ],
  branches: (params, seen) => [...catchBranches(seen), ...eggBranches(params, seen)],
  cautions: (params) => [CAUTIONS.hot, ...(params.eggPct > 0 ? [CAUTIONS.egg, CAUTIONS.allergenEgg] : [])],
  problems: (params) =>
    params.eggPct > 0 && params.targetC < EGG_SAFE_C
      ? [
          {
            field: 'cookC',
            message: say('stages.cook.eggNotEnough', { target: temp(params.targetC) }),
            remedy: say('stages.cook.bringMoreAllThrough', { eggSafe_: temp(EGG_SAFE_C) }),
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
    what: say('stages.cook.egg'),
    unit: '',
    planned: say('stages.cook.allThrough', { eggSafe_: temp(EGG_SAFE_C) }),
    now: safe ? say('stages.cook.cooked') : say('stages.cook.raw'),
    tone: safe ? 'good' : 'watch',
  };
}

/** Somebody who takes it off short of the egg's heat is told. */
function eggBranches({ eggPct }: CookParams, { here, looks, over }: Seen): Branch[] {
  if (over || eggPct === 0 || looks['melt'] !== 'smooth' || here.peakC >= EGG_SAFE_C) return [];
  return [
    {
      id: 'egg',
      offer: say('stages.cook.keepFlameUntilThermometer', { eggSafe_: temp(EGG_SAFE_C) }),
      because: say('stages.cook.smoothOnlyEggNot', { temp: temp(here.tempC) }),
      grave: true,
      does: { do: 'leave', note: say('stages.cook.keptFlameEgg') },
    },
  ];
}
