import { USUAL_KITCHEN, type Kitchen } from './environment.js';

/** The maker's hours: gives a moment back where somebody is awake, else the next moment when somebody is (ms). */
export type Wake = (ms: number) => number;

/** Nobody sleeps: every hand falls when its stage is done. */
export const ALWAYS_AWAKE: Wake = (ms) => ms;

/** What a make is followed or planned for: its kitchen, and when somebody is awake. */
export interface Household {
  readonly kitchen?: Kitchen;
  readonly wake?: Wake;
}

/** Kitchen of a batch: the household's, with the room the batch was planned for. */
export function kitchenFor(choices: Readonly<Record<string, number | string>>, base: Kitchen = USUAL_KITCHEN): Kitchen {
  const roomC = Number(choices['roomC']);
  return Number.isFinite(roomC) ? { ...base, roomC } : base;
}
