import type { Random } from '../random/random.js';
import { STAND_INS, type StandInKind } from './stand-ins.js';

/** Faults that a stand-in can be given, and what each is called. */
export const STAND_IN_FAULTS = {
  silent: 'drops out',
  stuck: 'sticks',
  wild: 'jumps',
  drift: 'drifts',
  noisy: 'is noisy',
} as const;

export type StandInFault = keyof typeof STAND_IN_FAULTS;

/** How a stand-in is: its fault and since when, and when a pH meter was last calibrated (ms). */
export interface StandInCondition {
  readonly fault: StandInFault | null;
  readonly faultSinceMs: number | null;
  readonly calibratedMs: number | null;
}

/** A pH meter wanders by so much an hour from its calibration, and by so much more when it drifts. */
const DRIFT_PH_PER_H = { usual: 0.002, fault: 0.04 } as const;
const DRIFT_PER_H: Readonly<Record<Exclude<StandInKind, 'ph-probe'>, number>> = {
  thermometer: 0.6,
  scale: 20,
  'room-logger': 0.3,
};
const WILD_SHARE = 0.3;
const NOISE_TIMES = 8;
/** What a jump of each shows: beyond all that can be, or merely far off. */
const JUMPS: Readonly<Record<StandInKind, readonly number[]>> = {
  thermometer: [250, -40, 3],
  'ph-probe': [14, 0, 6.9],
  scale: [-1, 200_000, 5],
  'room-logger': [85, -40, 3],
};

const HOUR_MS = 3_600_000;

/**
 * What a stand-in in some condition shows, where a sound one would show `sound`; null while it is silent.
 *
 * @param soundThen what a sound one showed when the fault began
 */
export function faultyReading(
  kind: StandInKind,
  sound: number,
  atMs: number,
  { fault, faultSinceMs, calibratedMs }: StandInCondition,
  soundThen: () => number | null,
  random: Random,
): number | null {
  const sinceH = faultSinceMs === null ? 0 : Math.max(0, atMs - faultSinceMs) / HOUR_MS;
  const uncalibratedH = calibratedMs === null ? 0 : Math.max(0, atMs - calibratedMs) / HOUR_MS;
  const wandered = kind === 'ph-probe' ? DRIFT_PH_PER_H.usual * uncalibratedH : 0;
  if (fault === null || faultSinceMs === null || atMs < faultSinceMs) return shown(kind, sound + wandered);
  switch (fault) {
    case 'silent':
      return null;
    case 'stuck':
      return soundThen() ?? sound;
    case 'wild':
      return random() < WILD_SHARE ? JUMPS[kind][Math.floor(random() * JUMPS[kind].length)]! : sound;
    case 'drift':
      if (kind === 'ph-probe') return shown(kind, sound + DRIFT_PH_PER_H.fault * Math.max(sinceH, uncalibratedH));
      return shown(kind, sound + DRIFT_PER_H[kind] * sinceH);
    case 'noisy':
      return shown(kind, sound + NOISE_TIMES * STAND_INS[kind].noiseSd * (2 * random() - 1));
  }
}

/** Rounded as its display rounds. */
function shown(kind: StandInKind, value: number): number {
  const { resolution } = STAND_INS[kind];
  return Number((Math.round(value / resolution) * resolution).toFixed(2));
}
