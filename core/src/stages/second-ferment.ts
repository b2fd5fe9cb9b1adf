import { say } from '../messages/message.js';
import { amount, duration, mass, percent, pressure } from '../messages/quantity.js';
import { YEAST_GAS } from '../constants/gas.js';
import { GOODS } from '../materials/kitchen-goods.js';
import { MOLAR_G } from '../constants/milk.js';
import { totalG } from '../materials/composition.js';
import { pourIn, type CrockState } from '../state/crock-state.js';
import { massesOfGoods } from '../materials/goods.js';
import { bottlePressureBar } from './bottle-pressure.js';
import { CAUTIONS } from './cautions.js';
import type { StageKind } from './kind.js';
import { standBy } from './pass-time.js';
import { timeGauge, type Gauge, type Seen } from './watch.js';

export interface SecondFermentParams {
  readonly hours: number;
  /** Room left in each bottle, percent of it. */
  readonly headspacePct: number;
  /** Sugar or its worth in fruit, percent. */
  readonly sugarPct: number;
}

/** More than this (bar above the air) and a bottle not made for it may burst. */
export const BURSTS_FROM_BAR = 3;
const LATEST_MIN = 24 * 60;

/** Bottled and closed, so that its own gas stays in it. */
export const secondFerment: StageKind<SecondFermentParams, 'second-ferment'> = {
  kind: 'second-ferment',
  defaults: { hours: 12, headspacePct: 15, sugarPct: 0 },
  name: () => say('stages.secondFerment.inBottles'),
  begins: () => say('stages.secondFerment.bottleIt'),
  over: () => say('stages.secondFerment.bottlesReady'),
  instruction: (params, before) => {
    const sugar = sugarG(before, params);
    const bottled = { headspace: percent(params.headspacePct, 0), hours: duration(params.hours * 60) };
    return sugar > 0.5
      ? say('stages.secondFerment.bottleWithSugar', { ...bottled, sugar: mass(sugar) })
      : say('stages.secondFerment.bottleIt2', bottled);
  },
  handsMin: () => 10,
  attended: false,
  gear: () => ['pressure bottles'],
  endsBy: 'clock',
  target: (params) => params.hours * 60,
  weighIn: (params, before) =>
    params.sugarPct > 0
      ? [
          {
            what: say('stages.secondFerment.sugar'),
            massG: sugarG(before, params),
            gPerMl: GOODS.sugar.gPerMl,
            pricedAs: 'own',
          },
        ]
      : [],
  begin: (state, params) => pourIn(state, massesOfGoods(GOODS.sugar, sugarG(state, params))),
  advance: (state, _params, environment, minutes) => standBy('covered', yeasts(state, minutes), environment, minutes),
  done: (state, params, _environment, since) => state.minute - since >= params.hours * 60,
  stepMin: 30,
  slack: (params, course) => {
    const bar = (atMin: number) =>
      bottlePressureBar(course.at(-course.lastedMin), course.at(atMin), params.headspacePct);
    let lateMin = 0;
    while (lateMin < LATEST_MIN && bar(lateMin + 60) < BURSTS_FROM_BAR) lateMin += 60;
    return {
      earlyMin: Math.min(course.lastedMin, 240),
      lateMin,
      cost: say('stages.secondFerment.aboutTwelveHoursSharper', { bar: pressure(bar(0)), bar2: amount(bar(720), 1) }),
    };
  },
  endCue: () => say('stages.secondFerment.bottleOpenedOverSink'),
  cues: [
    { cue: 'fizz', ask: say('stages.secondFerment.openedOverSink'), answers: ['still', 'beads', 'foams', 'gushes'] },
  ],
  chart: { left: 'gasG', right: 'tempC' },
  watch: (params, seen) => [timeGauge(seen, params.hours * 60), pressureGauge(params, seen)],
  branches: (_params, { looks, over }) =>
    over || looks['fizz'] !== 'gushes'
      ? []
      : [
          {
            id: 'gushes',
            offer: say('stages.secondFerment.openEachOverSink'),
            because: say('stages.secondFerment.gushesBottlesNotMade'),
            grave: true,
            does: { do: 'next' },
          },
        ],
  cautions: () => [CAUTIONS.bottles],
  problemsAtEnd: (params, end, begun) => {
    const bar = bottlePressureBar(begun, end, params.headspacePct);
    if (bar < BURSTS_FROM_BAR) return [];
    const hours = Math.max(1, Math.floor((0.6 * params.hours * BURSTS_FROM_BAR) / bar));
    return [
      {
        field: 'bottleH',
        message: say('stages.secondFerment.soLongClosed', { hours: duration(params.hours * 60), bar: pressure(bar) }),
        remedy: say('stages.secondFerment.shorterOrOpened', { hours: duration(hours * 60) }),
        works: { bottleH: hours },
        mild: true,
      },
    ];
  },
  problems: (params) =>
    params.headspacePct < 5
      ? [
          {
            field: 'headspacePct',
            message: say('stages.secondFerment.bottleFilledCapNo'),
            remedy: say('stages.secondFerment.leaveTenthEmptyBetter'),
            works: { headspacePct: 15 },
          },
        ]
      : [],
};

/**
 * What the yeasts make of sugar in some minutes: 1 sugar + 1 water → 4 ethanol + 4 carbon dioxide, of what was added
 * first, then of the milk's own.
 */
function yeasts(state: CrockState, minutes: number): CrockState {
  const { masses } = state;
  const sugarPct = (100 * masses.sucrose) / totalG(masses);
  const warmth = YEAST_GAS.q10 ** ((state.tempC - YEAST_GAS.atC) / 10);
  const perKg = YEAST_GAS.molPerKgH * warmth * (1 + YEAST_GAS.morePerSugarPct * sugarPct) * (minutes / 60);
  const wantedG = ((perKg * totalG(masses)) / 1000 / 4) * MOLAR_G.lactose;
  const addedG = Math.min(masses.sucrose, wantedG);
  const ownG = Math.min(masses.lactose, wantedG - addedG);
  const splitG = Math.min(masses.glucose, wantedG - addedG - ownG);
  const mol = (4 * (addedG + ownG)) / MOLAR_G.lactose + (2 * splitG) / MOLAR_G.glucose;
  const ethanolG = mol * MOLAR_G.ethanol;
  const gasG = mol * MOLAR_G.carbonDioxide;
  return {
    ...state,
    gasG: state.gasG + gasG,
    masses: {
      ...masses,
      sucrose: masses.sucrose - addedG,
      lactose: masses.lactose - ownG,
      glucose: masses.glucose - splitG,
      ethanol: masses.ethanol + ethanolG,
      water: masses.water - (ethanolG + gasG - addedG - ownG - splitG),
    },
  };
}

const sugarG = (state: CrockState, { sugarPct }: SecondFermentParams) => (totalG(state.masses) * sugarPct) / 100;

/** Pressure in the bottles against what bursts them. */
function pressureGauge({ headspacePct }: SecondFermentParams, { begun, here, planned }: Seen): Gauge {
  const now = bottlePressureBar(begun, here, headspacePct);
  return {
    what: say('stages.secondFerment.pressure'),
    unit: 'bar',
    planned: bottlePressureBar(begun, planned, headspacePct),
    now,
    ...(now >= BURSTS_FROM_BAR && { tone: 'bad' as const, says: say('stages.secondFerment.bottlesMayBurstInto') }),
  };
}
