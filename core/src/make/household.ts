import { potLossFactor } from '../learn/pot-and-bottle.js';
import { yieldFactorOf, type Known } from '../learn/recall.js';
import type { WallClock } from '../environment/day-clock.js';
import { USUAL_KITCHEN, type Environment, type Kitchen } from '../environment/environment.js';

/** The maker's hours: gives a moment back where somebody is awake, else the next moment when somebody is (ms). */
export type Wake = (ms: number) => number;

/** Nobody sleeps: every hand falls when its stage is done. */
export const ALWAYS_AWAKE: Wake = (ms) => ms;

/** What a make is followed or planned for: its kitchen, and when somebody is awake. */
export interface Household {
  readonly kitchen?: Kitchen;
  readonly wake?: Wake;
  /** The clock on the wall, for what ends by it; one in UTC where left out. */
  readonly wall?: WallClock;
  /** How far the room is from its mean at a moment (ms), °C. */
  readonly roomSwing?: (ms: number) => number;
  /** How warm the room was and will be at a moment (ms), °C, where it is measured: it goes before the swing. */
  readonly roomAt?: (ms: number) => number;
  /** What the kitchen's finished makes have taught, and the line of the culture that is at work here; usual ones where nothing is known. */
  readonly known?: Known | undefined;
}

/**
 * How far the room is from what a make was planned for, by the minutes of the make; nothing where it is not known.
 *
 * @param plannedC the room it was planned for, °C
 */
export function swingFrom(
  startMs: number,
  plannedC: number,
  { roomAt, roomSwing }: Household,
): Pick<Environment, 'roomSwingC'> {
  if (roomAt) return { roomSwingC: (minute) => roomAt(startMs + minute * 60_000) - plannedC };
  return roomSwing ? { roomSwingC: (minute) => roomSwing(startMs + minute * 60_000) } : {};
}

/** Kitchen of a batch: the household's, with the room the batch was planned for. */
export function kitchenFor(
  choices: Readonly<Record<string, number | string>>,
  base: Kitchen = USUAL_KITCHEN,
  known?: Known,
): Kitchen {
  const roomC = Number(choices['roomC']);
  return {
    ...base,
    ...(Number.isFinite(roomC) && { roomC }),
    ...(known && {
      yieldFactor: yieldFactorOf(known),
      potLoss: base.potLoss * potLossFactor(known.learned, choices),
    }),
  };
}
