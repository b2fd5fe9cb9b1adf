import type { Random } from '../random/random.js';
import { INSTRUMENT_KINDS, type SimulatedKind } from './kinds.js';

/** Faults that a simulated instrument can be given, and what each is called. */
export const INSTRUMENT_FAULTS = {
  silent: 'drops out',
  stuck: 'sticks',
  wild: 'jumps',
  drift: 'drifts',
  noisy: 'is noisy',
} as const;

export type InstrumentFault = keyof typeof INSTRUMENT_FAULTS;

/** How a simulated instrument is: its fault and since when, and when a pH meter was last calibrated (ms). */
export interface SimulatedCondition {
  readonly fault: InstrumentFault | null;
  readonly faultSinceMs: number | null;
  readonly calibratedMs: number | null;
}

const WILD_SHARE = 0.3;
const NOISE_TIMES = 8;

const HOUR_MS = 3_600_000;

/**
 * What a simulated instrument in some condition shows, where a sound one would show `sound`; null while it is silent.
 *
 * @param soundThen what a sound one showed when the fault began
 */
export function faultyReading(
  kind: SimulatedKind,
  sound: number,
  atMs: number,
  { fault, faultSinceMs, calibratedMs }: SimulatedCondition,
  soundThen: () => number | null,
  random: Random,
): number | null {
  const sinceH = faultSinceMs === null ? 0 : Math.max(0, atMs - faultSinceMs) / HOUR_MS;
  const uncalibratedH = calibratedMs === null ? 0 : Math.max(0, atMs - calibratedMs) / HOUR_MS;
  const { noiseSd, driftPerH, wandersPerH, jumps } = INSTRUMENT_KINDS[kind].simulated;
  const wandered = wandersPerH * uncalibratedH;
  if (fault === null || faultSinceMs === null || atMs < faultSinceMs) return shown(kind, sound + wandered);
  switch (fault) {
    case 'silent':
      return null;
    case 'stuck':
      return soundThen() ?? sound;
    case 'wild':
      return random() < WILD_SHARE ? jumps[Math.floor(random() * jumps.length)]! : sound;
    case 'drift':
      // What wanders of itself has drifted since it was calibrated.
      return shown(kind, sound + driftPerH * (wandersPerH > 0 ? Math.max(sinceH, uncalibratedH) : sinceH));
    case 'noisy':
      return shown(kind, sound + NOISE_TIMES * noiseSd * (2 * random() - 1));
  }
}

/** Rounded as its display rounds. */
function shown(kind: SimulatedKind, value: number): number {
  const { resolution } = INSTRUMENT_KINDS[kind].simulated;
  return Number((Math.round(value / resolution) * resolution).toFixed(2));
}
