import type { Masses } from '../materials/composition.js';
import { heatBetweenKJ, heatCapacityKJPerK } from './heat.js';
import { say } from '../messages/message.js';
import { SaidError } from '../messages/said-error.js';

/** A temperature noted at a time. */
export interface NotedTemp {
  readonly min: number;
  readonly tempC: number;
}

/** Heat loss fitted to a cooling, with its spread where there were more than two points. */
export interface FittedLoss {
  readonly uaWPerK: number;
  /** Degrees lost in the first hour from the first noted temperature. */
  readonly perHourC: number;
  /** Standard deviation of uaWPerK; null from two points. */
  readonly sdWPerK: number | null;
}

/**
 * Heat loss of a vessel from two or more noted temperatures while it cooled in a room: Newton's law,
 * ln((T − T_room)/(T₀ − T_room)) = −UA t / (m cp), by least squares through the first point.
 *
 * @param masses what was in it, g
 * @param noted in order of time, all warmer than the room
 * @throws RangeError naming what is missing
 */
export function fitHeatLoss(masses: Masses, noted: readonly NotedTemp[], roomC: number): FittedLoss {
  if (noted.length < 2) throw new SaidError(say('physics.fitHeat.two'));
  if (noted.some((n) => !(n.tempC > roomC))) throw new SaidError(say('physics.fitHeat.aboveRoom'));
  const first = noted[0]!;
  const rest = noted.slice(1).map((n) => ({
    min: n.min - first.min,
    log: Math.log((n.tempC - roomC) / (first.tempC - roomC)),
  }));
  if (rest.some((r) => !(r.min > 0))) throw new SaidError(say('physics.fitHeat.later'));
  const squares = rest.reduce((sum, r) => sum + r.min ** 2, 0);
  const perMin = -rest.reduce((sum, r) => sum + r.min * r.log, 0) / squares;
  const meanC = noted.reduce((sum, n) => sum + n.tempC, 0) / noted.length;
  const toW = (heatCapacityKJPerK(masses, meanC) * 1000) / 60;
  const misses = rest.reduce((sum, r) => sum + (r.log + perMin * r.min) ** 2, 0);
  const sdPerMin = rest.length > 1 ? Math.sqrt(misses / (rest.length - 1) / squares) : null;
  return {
    uaWPerK: perMin * toW,
    perHourC: (first.tempC - roomC) * -Math.expm1(-perMin * 60),
    sdWPerK: sdPerMin === null ? null : sdPerMin * toW,
  };
}

/**
 * Power of a hob that reaches the milk (W), from two or more temperatures noted while it warmed: the slope of the heat
 * held, with what was lost meanwhile added back, by least squares.
 *
 * @param uaWPerK heat loss of the pot
 * @throws RangeError where there are fewer than two, or none is later than the first
 */
export function fitHeatingPower(masses: Masses, noted: readonly NotedTemp[], roomC: number, uaWPerK: number): number {
  if (noted.length < 2) throw new SaidError(say('physics.fitHeat.two'));
  let lostKJ = 0;
  const held = noted.map((n, i) => {
    const before = noted[i - 1];
    if (before) lostKJ += uaWPerK * ((n.tempC + before.tempC) / 2 - roomC) * (n.min - before.min) * 0.06;
    return { min: n.min, kJ: heatBetweenKJ(masses, noted[0]!.tempC, n.tempC) + lostKJ };
  });
  const mean = (of: (h: { min: number; kJ: number }) => number) => held.reduce((s, h) => s + of(h), 0) / held.length;
  const atMin = mean((h) => h.min);
  const atKJ = mean((h) => h.kJ);
  const spread = held.reduce((s, h) => s + (h.min - atMin) ** 2, 0);
  if (spread === 0) throw new SaidError(say('physics.fitHeat.differentTimes'));
  const perMin = held.reduce((s, h) => s + (h.min - atMin) * (h.kJ - atKJ), 0) / spread;
  return (perMin * 1000) / 60;
}
