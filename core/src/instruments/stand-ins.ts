import { MEMBER_SPREAD, NOMINAL_MEMBER, type Member } from '../environment/environment.js';
import { DRAINAGE_EXPONENT } from '../constants/drainage.js';
import { CULTURES, type CultureId } from '../constants/cultures.js';
import { placeOffsetC } from '../forecast/souring-ensemble.js';
import { normals, seededRandom, type Random } from '../random/random.js';
import type { CrockState } from '../state/crock-state.js';
import { totalG } from '../materials/composition.js';

/** A dairy's own cultures stray less than those from anywhere: standard deviation of the logarithm of their pace. */
const DEMO_PACE_SD = 0.1;

/** A hidden truth for a simulated batch: one draw from the spreads that the forecast assumes. */
export function hiddenMember(culture: CultureId, seed: number): Member {
  const normal = normals(seededRandom(seed));
  const { spread } = CULTURES[culture];
  return {
    ...NOMINAL_MEMBER,
    vitality: Math.exp(spread.vitality * normal()),
    lag: Math.exp(spread.lag * normal()),
    mu: Math.exp(spread.mu * normal()),
    acid: Math.exp(spread.acid * normal()),
    phShift: MEMBER_SPREAD.phShift * normal(),
    keeperOffsetC: placeOffsetC(normal()),
    heatLoss: Math.exp(MEMBER_SPREAD.heatLoss * normal()),
    wheyReach: Math.exp(MEMBER_SPREAD.wheyReach * normal()),
    drainTime: Math.exp(MEMBER_SPREAD.drainTime * normal()),
    drainExponent: DRAINAGE_EXPONENT * Math.exp(MEMBER_SPREAD.drainExponent * normal()),
    pace: Math.exp(DEMO_PACE_SD * normal()),
    buffer: Math.exp(MEMBER_SPREAD.buffer * normal()),
  };
}

/** What is measured in a crock or under it. */
export type CrockQuantity = 'tempC' | 'ph' | 'wheyG';

/** What a simulated instrument measures, and how well. */
export interface StandIn {
  readonly quantity: CrockQuantity | 'roomC';
  readonly noiseSd: number;
  /** Smallest step its display shows. */
  readonly resolution: number;
  readonly everyMin: number;
}

export const STAND_INS = {
  thermometer: { quantity: 'tempC', noiseSd: 0.15, resolution: 0.1, everyMin: 5 },
  'ph-probe': { quantity: 'ph', noiseSd: 0.025, resolution: 0.01, everyMin: 15 },
  scale: { quantity: 'wheyG', noiseSd: 2, resolution: 1, everyMin: 10 },
  'room-logger': { quantity: 'roomC', noiseSd: 0.1, resolution: 0.1, everyMin: 10 },
} as const satisfies Record<string, StandIn>;

export type StandInKind = keyof typeof STAND_INS;

/** Those that stand in a crock; the others hang in the room. */
export type CrockStandIn = Exclude<StandInKind, 'room-logger'>;

/** One reading of the hidden state, with the instrument's noise, rounded as its display rounds. */
export function readStandIn(kind: CrockStandIn, state: CrockState, random: Random): number {
  const truth = { tempC: state.tempC, ph: state.ph, wheyG: totalG(state.whey) }[STAND_INS[kind].quantity];
  return readTruth(kind, truth, random);
}

/** One reading of what is true, with the instrument's noise, rounded as its display rounds. */
export function readTruth(kind: StandInKind, truth: number, random: Random): number {
  const { noiseSd, resolution }: StandIn = STAND_INS[kind];
  const seen = truth + noiseSd * normals(random)();
  const shown = Math.round(Math.max(0, seen) / resolution) * resolution;
  return Number(shown.toFixed(2));
}
