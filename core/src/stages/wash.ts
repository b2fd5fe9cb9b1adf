import { serumAfterWashing, washesUntilClear } from '../physics/churning.js';
import { massesBy, totalG, type Component } from '../state/composition.js';
import { pourIn, takeOut, withCurd, type CrockState } from '../state/crock-state.js';
import type { StageKind } from './kind.js';
import { standCovered } from './pass-time.js';
import { sayMass } from './words.js';

export interface WashParams {
  /** Water of one wash, as a share of the butter. */
  readonly waterShare: number;
}

const MIN_PER_WASH = 3;

/** What no wash carries off: fat, the water itself, and casein, which is curd by now. */
const STAYS: ReadonlySet<Component> = new Set(['fat', 'water', 'casein']);

/** Washes until the water runs clear, and the minutes they take. */
function washesFor(state: CrockState, params: WashParams): number {
  const butterG = totalG(state.masses);
  return washesUntilClear(state.masses.water, params.waterShare * butterG);
}

/** Cold water worked through the grains until it runs clear: the serum left in butter is what turns it. */
export const wash: StageKind<WashParams> = {
  kind: 'wash',
  defaults: { waterShare: 1 },
  name: () => 'wash',
  instruction: (params, before) =>
    `Wash the grains with ${sayMass(params.waterShare * totalG(before.masses))} of cold water, about ${washesFor(before, params)} times, until it runs clear.`,
  handsMin: () => 12,
  attended: true,
  gear: () => ['bowl', 'cold water'],
  endsBy: 'clock',
  target: () => 4 * MIN_PER_WASH,
  begin: (state, params) => withCurd(washed(state, params), { washMin: MIN_PER_WASH * washesFor(state, params) }),
  advance: (state, _params, environment, minutes) =>
    withCurd(standCovered(state, environment, minutes), { washMin: state.curd.washMin - minutes }),
  done: (state) => state.curd.washMin <= 1e-9,
  stepMin: MIN_PER_WASH,
  give: () => ({ earlyMin: 0, lateMin: 15, cost: 'Water left standing warms it; a wash too few and it turns sooner.' }),
  endCue: () => 'The last water runs off as clear as it went in.',
  cues: [{ cue: 'wash', ask: 'How is the wash water?', answers: ['milky', 'cloudy', 'clear'] }],
  cautions: () => [],
  problems: () => [],
};

/**
 * All that is dissolved in the trapped serum is diluted; the water that takes its place comes from the wash. With the
 * sugar goes the culture: what is left no longer sours.
 */
function washed(state: CrockState, params: WashParams): CrockState {
  const waterG = params.waterShare * totalG(state.masses);
  const left = serumAfterWashing(state.masses.water, new Array<number>(washesFor(state, params)).fill(waterG));
  const carriedOff = massesBy((c) => (STAYS.has(c) ? 0 : state.masses[c] * (1 - left)));
  const replaced = pourIn(
    state,
    massesBy((c) => (c === 'water' ? totalG(carriedOff) : 0)),
  );
  const souring = replaced.souring && { ...replaced.souring, biomass: 0, beside: [] };
  return takeOut({ ...replaced, souring }, carriedOff, 'lost');
}
