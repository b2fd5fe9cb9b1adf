import { DRAINAGE_EXPONENT } from '../constants/drainage.js';
import type { DayClock } from './day-clock.js';
import { HOB, REFRIGERATOR_C } from '../constants/heat.js';

/**
 * What one batch in one kitchen turns out to be, against the constants: a member of an ensemble.
 * Factors are 1 and shifts 0 for the batch exactly as the constants have it.
 */
export interface Member {
  /** Whether the starter works: as its keeping says, or as what was seen since says. */
  readonly life: 'as kept' | 'alive' | 'dead';
  readonly activity: number;
  readonly lag: number;
  readonly mu: number;
  readonly acid: number;
  /** The culture's own pace: a factor on growth and souring together. */
  readonly pace: number;
  /** Acid that the milk takes for the same fall of pH, against the reckoned one. */
  readonly buffer: number;
  readonly phShift: number;
  /** How far the warm place stands from what it is set to, °C. */
  readonly incubatorOffsetC: number;
  readonly heatLoss: number;
  readonly wheyReach: number;
  readonly drainTime: number;
  /** Exponent of the drainage law. */
  readonly drainExponent: number;
}

export const NOMINAL_MEMBER: Member = {
  life: 'as kept',
  activity: 1,
  lag: 1,
  mu: 1,
  acid: 1,
  pace: 1,
  buffer: 1,
  phShift: 0,
  incubatorOffsetC: 0,
  heatLoss: 1,
  wheyReach: 1,
  drainTime: 1,
  drainExponent: DRAINAGE_EXPONENT,
};

/** What a member does to a souring crock: factors on growth, on souring by standing biomass and on the buffer, and a shift of pH. */
export function souringFactors({ mu, acid, pace, buffer, phShift }: Member) {
  return { mu: mu * pace, acid: acid * pace, buffer, phShift };
}

/** Standard deviations of a member between batches: of the natural logarithm, but for the two shifts. */
export const MEMBER_SPREAD = {
  buffer: 0.08,
  phShift: 0.04,
  incubatorOffsetC: 0.8,
  heatLoss: 0.15,
  wheyReach: 0.05,
  drainTime: 0.3,
  drainExponent: 0.1,
} as const;

/** The kitchen around a crock. */
export interface Kitchen {
  readonly roomC: number;
  readonly refrigeratorC: number;
  readonly hobW: number;
  readonly hobEfficiency: number;
  /** Heat that the pot and the flask lose against the usual ones: 1, unless they were measured. */
  readonly potLoss: number;
  readonly flaskLoss: number;
  /** Product that comes into the pots against the reckoned: 1, unless the maker's own losses were learned. */
  readonly yieldFactor: number;
}

export const USUAL_KITCHEN: Kitchen = {
  roomC: 20,
  refrigeratorC: REFRIGERATOR_C,
  hobW: HOB.powerW,
  hobEfficiency: HOB.efficiency,
  potLoss: 1,
  flaskLoss: 1,
  yieldFactor: 1,
};

/** Everything a stage may lean on besides the state and its own parameters. */
export interface Environment {
  readonly kitchen: Kitchen;
  readonly member: Member;
  /** The clock on the wall, for what ends by it; one that shows midnight at minute 0 where left out. */
  readonly clock?: DayClock;
  /** How far the room is from its mean at a minute of the make, °C, where it is known. */
  readonly roomSwingC?: (minute: number) => number;
  /** The same at the minute these surroundings are of: what is warmer than the room by so much moves with it. */
  readonly roomOffC?: number;
  /** What was measured last between two minutes of the make: the crock is as warm as that from then on. */
  readonly measured?: MeasuredTemps | undefined;
}

/** A temperature known at a minute. */
export interface KnownTemp {
  readonly minute: number;
  readonly tempC: number;
}

/** The last temperature measured between two minutes, both included; null where nothing was. */
export type MeasuredTemps = (fromMinute: number, toMinute: number) => KnownTemp | null;

/** The same surroundings where nobody measures. */
export function unmeasured(environment: Environment): Environment {
  return { ...environment, measured: undefined };
}

/** The surroundings as they are at a minute: the room by its hour. */
export function atMinute(environment: Environment, minute: number): Environment {
  const { kitchen, roomSwingC } = environment;
  if (!roomSwingC) return environment;
  const roomOffC = roomSwingC(minute);
  return { ...environment, roomOffC, kitchen: { ...kitchen, roomC: kitchen.roomC + roomOffC } };
}

export const USUAL_ENVIRONMENT: Environment = { kitchen: USUAL_KITCHEN, member: NOMINAL_MEMBER };
