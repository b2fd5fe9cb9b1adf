import { say } from '../messages/message.js';
import { amount, mass, percent } from '../messages/quantity.js';
import { WASHED_CLEAR } from '../constants/butter.js';
import { heatCapacityKJPerK } from '../physics/heat.js';
import { serumAfterWashing, washesUntilClear } from '../physics/churning.js';
import { massesBy, totalG, type Component } from '../materials/composition.js';
import { pourIn, takeOut, withCurd, type CrockState } from '../state/crock-state.js';
import type { Problem, StageKind } from './kind.js';
import { standCovered } from './pass-time.js';
import type { Branch, Gauge, Seen } from './watch.js';

export interface WashParams {
  /** Water of one wash, as a share of the butter. */
  readonly waterShare: number;
  /** So many washes; 0 = until the water runs clear. */
  readonly times: number;
  /** Cold from the tap, or with ice in it. */
  readonly water: 'cold' | 'ice';
  /** Water of each wash that hands logged, g, where they did; and whether that was all. */
  readonly washesG?: readonly number[];
  readonly washedAll?: boolean;
}

const MIN_PER_WASH = 3;

/** What no wash carries off: fat, the water itself, and casein, which is curd by now. */
const STAYS: ReadonlySet<Component> = new Set(['fat', 'water', 'casein']);

/** Water of every wash, g: what was logged, and what is still planned. */
function waters(state: CrockState, params: WashParams): readonly number[] {
  const { washesG = [], washedAll } = params;
  if (washedAll) return washesG;
  const still = Math.max(0, washesFor(state, params) - washesG.length);
  return [...washesG, ...new Array<number>(still).fill(params.waterShare * totalG(state.masses))];
}

/** Washes until the water runs clear, and the minutes they take. */
function washesFor(state: CrockState, params: WashParams): number {
  const butterG = totalG(state.masses);
  if (params.times > 0) return Math.max(1, Math.round(params.times));
  return washesUntilClear(state.masses.water, params.waterShare * butterG);
}

/** Cold water worked through the grains until it runs clear: the serum left in butter is what turns it. */
export const wash: StageKind<WashParams, 'wash'> = {
  kind: 'wash',
  defaults: { waterShare: 1, times: 0, water: 'cold' },
  name: () => say('stages.wash.wash'),
  begins: () => say('stages.wash.startWashing'),
  over: () => say('stages.wash.itIsWashed'),
  instruction: (params, before) =>
    say('stages.wash.washGrainsColdWater', {
      water: params.water,
      until: params.times > 0 ? 'counted' : 'clear',
      masses: mass(params.waterShare * totalG(before.masses)),
      washesFor: amount(washesFor(before, params)),
    }),
  handsMin: () => 12,
  attended: true,
  gear: () => ['bowl', 'cold water'],
  endsBy: 'clock',
  target: () => 4 * MIN_PER_WASH,
  begin: (state, params) =>
    withCurd(cooledBy(washed(state, params), waters(state, params), params), {
      washMin: MIN_PER_WASH * waters(state, params).length,
    }),
  advance: (state, _params, environment, minutes) =>
    withCurd(standCovered(state, environment, minutes), { washMin: state.curd.washMin - minutes }),
  done: (state) => state.curd.washMin <= 1e-9,
  stepMin: MIN_PER_WASH,
  slack: () => ({
    earlyMin: 0,
    lateMin: 15,
    cost: say('stages.wash.waterLeftStandingWarms'),
  }),
  endCue: () => say('stages.wash.lastWaterRunsOff'),
  cues: [{ cue: 'wash', ask: say('stages.wash.howWashWater'), answers: ['milky', 'cloudy', 'clear'] }],
  told: (params, told) => {
    const washesG = told.added.filter((a) => a.what === 'water').map((a) => a.massG);
    return washesG.length === 0 ? params : { ...params, washesG, washedAll: told.over };
  },
  watch: (params, seen) => washGauges(params, seen),
  asks: (params, begun) => [
    {
      asks: 'added',
      what: 'water',
      label: say('stages.wash.coldWater'),
      partG: params.waterShare * totalG(begun.masses),
      gPerMl: 1,
    },
  ],
  branches: washBranches,
  cautions: () => [],
  problems: (params, state) => leftProblems(params, state),
};

/** Water from the tap, and water with ice in it, °C. */
const WATER_C = { cold: 12, ice: 2 } as const;
/** Share of the way to one warmth that grains and water come in one wash. */
const EXCHANGED = 0.6;

/** The grains are cooled, or warmed, by each water that runs over them. */
function cooledBy(state: CrockState, watersG: readonly number[], { water }: WashParams): CrockState {
  const butterKJPerK = heatCapacityKJPerK(state.masses, state.tempC);
  const tempC = watersG.reduce((now, massG) => {
    const waterKJPerK = heatCapacityKJPerK(
      massesBy((c) => (c === 'water' ? massG : 0)),
      WATER_C[water],
    );
    const mixedC = (butterKJPerK * now + waterKJPerK * WATER_C[water]) / (butterKJPerK + waterKJPerK);
    return now + EXCHANGED * (mixedC - now);
  }, state.tempC);
  return { ...state, tempC };
}

/** Washed less often than it takes until the water runs clear. */
function leftProblems(params: WashParams, state: CrockState): Problem[] {
  const clear = washesUntilClear(state.masses.water, params.waterShare * totalG(state.masses));
  if (params.times === 0 || params.times >= clear) return [];
  const left = 100 * serumAfterWashing(state.masses.water, waters(state, params));
  return [
    {
      field: 'washTimes',
      message: say('stages.wash.serumStaysIn', { left: percent(left, 0) }),
      remedy: say('stages.wash.washOften', { clear: amount(clear) }),
      works: { washTimes: clear },
      mild: true,
    },
  ];
}

/**
 * All that is dissolved in the trapped serum is diluted; the water that takes its place comes from the wash. With the
 * sugar goes the culture: what is left no longer sours.
 */
function washed(state: CrockState, params: WashParams): CrockState {
  const left = serumAfterWashing(state.masses.water, waters(state, params));
  const carriedOff = massesBy((c) => (STAYS.has(c) ? 0 : state.masses[c] * (1 - left)));
  const replaced = pourIn(
    state,
    massesBy((c) => (c === 'water' ? totalG(carriedOff) : 0)),
  );
  const souring = replaced.souring && { ...replaced.souring, biomass: 0, beside: [] };
  return takeOut({ ...replaced, souring }, carriedOff, 'lost');
}

/** Washes done, and the serum they leave in the grains: what is logged, else as many as the time was enough for. */
function washGauges(params: WashParams, { begun, here }: Seen): Gauge[] {
  const planned = washesFor(begun, params);
  const byClock = Math.min(planned, 1 + Math.floor((here.minute - begun.minute) / MIN_PER_WASH));
  const done = params.washesG ?? new Array<number>(byClock).fill(params.waterShare * totalG(begun.masses));
  const left = 100 * serumAfterWashing(begun.masses.water, done);
  return [
    { what: say('stages.wash.washes'), unit: '', planned, now: done.length },
    {
      what: say('stages.wash.serumLeft'),
      unit: '%',
      planned: 100 * WASHED_CLEAR,
      now: left,
      ...(left <= 100 * WASHED_CLEAR && { tone: 'good' as const }),
    },
  ];
}

function washBranches(params: WashParams, { begun, looks, over }: Seen): Branch[] {
  if (over || looks['wash'] === undefined) return [];
  if (looks['wash'] === 'clear') {
    return [
      {
        id: 'clear',
        offer: say('stages.wash.noMoreWashing'),
        because: say('stages.wash.waterRunsOffClear'),
        does: { do: 'next' },
      },
    ];
  }
  const massG = params.waterShare * totalG(begun.masses);
  return [
    {
      id: 'once-more',
      offer: say('stages.wash.washOnceMoreCold', { mass: mass(massG) }),
      because: say('stages.wash.waterStillWhatLeft', { wash: looks['wash'] }),
      does: { do: 'add', what: 'water', massG },
    },
  ];
}
