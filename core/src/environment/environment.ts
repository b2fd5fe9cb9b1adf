import { HOB, REFRIGERATOR_C } from '../constants/heat.js';

/**
 * What one batch in one kitchen turns out to be, against the constants: a member of an ensemble.
 * Factors are 1 and shifts 0 for the batch exactly as the constants have it.
 */
export interface Member {
  readonly vitality: number;
  readonly lag: number;
  readonly mu: number;
  readonly acid: number;
  readonly phShift: number;
  /** How far the warm place stands from what it is set to, °C. */
  readonly keeperOffsetC: number;
  readonly heatLoss: number;
  readonly wheyReach: number;
  readonly drainTime: number;
}

export const NOMINAL_MEMBER: Member = {
  vitality: 1,
  lag: 1,
  mu: 1,
  acid: 1,
  phShift: 0,
  keeperOffsetC: 0,
  heatLoss: 1,
  wheyReach: 1,
  drainTime: 1,
};

/** Standard deviations of a member between batches: of the natural logarithm, but for the two shifts. */
export const MEMBER_SPREAD = {
  phShift: 0.04,
  keeperOffsetC: 0.8,
  heatLoss: 0.15,
  wheyReach: 0.05,
  drainTime: 0.3,
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
}

export const USUAL_KITCHEN: Kitchen = {
  roomC: 20,
  refrigeratorC: REFRIGERATOR_C,
  hobW: HOB.powerW,
  hobEfficiency: HOB.efficiency,
  potLoss: 1,
  flaskLoss: 1,
};

/** Everything a stage may lean on besides the state and its own parameters. */
export interface Environment {
  readonly kitchen: Kitchen;
  readonly member: Member;
  /** How far the room is from its mean at a minute of the make, °C, where it is known. */
  readonly roomSwingC?: (minute: number) => number;
  /** Measured temperature at a minute of the make, where there is one: it overrules the thermal model. */
  readonly measuredTempC?: (minute: number) => number | null;
}

/** The surroundings as they are at a minute: the room by its hour. */
export function atMinute(environment: Environment, minute: number): Environment {
  const { kitchen, roomSwingC } = environment;
  if (!roomSwingC) return environment;
  return { ...environment, kitchen: { ...kitchen, roomC: kitchen.roomC + roomSwingC(minute) } };
}

export const USUAL_ENVIRONMENT: Environment = { kitchen: USUAL_KITCHEN, member: NOMINAL_MEMBER };
