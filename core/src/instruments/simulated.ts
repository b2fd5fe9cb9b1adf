import { MEMBER_SPREAD, NOMINAL_MEMBER, type Member } from '../environment/environment.js';
import { DRAINAGE_EXPONENT } from '../constants/drainage.js';
import { CULTURES, type CultureId } from '../constants/cultures.js';
import { placeOffsetC } from '../forecast/souring-ensemble.js';
import { normals, seededRandom, type Random } from '../random/random.js';
import type { CrockState } from '../state/crock-state.js';
import { INSTRUMENT_KINDS, type CrockSimulator, type SimulatedKind } from './kinds.js';

/** A dairy's own cultures stray less than those from anywhere: standard deviation of the logarithm of their pace. */
const DEMO_PACE_SD = 0.1;

/** A hidden truth for a simulated batch: one draw from the spreads that the forecast assumes. */
export function hiddenMember(culture: CultureId, seed: number): Member {
  const normal = normals(seededRandom(seed));
  const { spread } = CULTURES[culture];
  return {
    ...NOMINAL_MEMBER,
    activity: Math.exp(spread.activity * normal()),
    lag: Math.exp(spread.lag * normal()),
    mu: Math.exp(spread.mu * normal()),
    acid: Math.exp(spread.acid * normal()),
    phShift: MEMBER_SPREAD.phShift * normal(),
    incubatorOffsetC: placeOffsetC(normal()),
    heatLoss: Math.exp(MEMBER_SPREAD.heatLoss * normal()),
    wheyReach: Math.exp(MEMBER_SPREAD.wheyReach * normal()),
    drainTime: Math.exp(MEMBER_SPREAD.drainTime * normal()),
    drainExponent: DRAINAGE_EXPONENT * Math.exp(MEMBER_SPREAD.drainExponent * normal()),
    pace: Math.exp(DEMO_PACE_SD * normal()),
    buffer: Math.exp(MEMBER_SPREAD.buffer * normal()),
  };
}

/** One reading of the hidden state, with the instrument's noise, rounded as its display rounds. */
export function simulateReading(kind: CrockSimulator, state: CrockState, random: Random): number {
  return readTruth(kind, INSTRUMENT_KINDS[kind].reads(state), random);
}

/** One reading of what is true, with the instrument's noise, rounded as its display rounds. */
export function readTruth(kind: SimulatedKind, truth: number, random: Random): number {
  const { noiseSd, resolution } = INSTRUMENT_KINDS[kind].simulated;
  const seen = truth + noiseSd * normals(random)();
  const shown = Math.round(Math.max(0, seen) / resolution) * resolution;
  return Number(shown.toFixed(2));
}
