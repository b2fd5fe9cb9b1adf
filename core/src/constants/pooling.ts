/**
 * Share of a member's variance that stays with the culture, the warm place or the milk from batch to batch; the rest is
 * the batch's own luck. A line's growth and souring are its character; how it was kept and measured out is not; a
 * thermostat stands off by the same degrees every night.
 */
export const PERSISTS = {
  activity: 0.75,
  lag: 0.5,
  mu: 0.7,
  acid: 0.7,
  phShift: 0.4,
  incubatorOffsetC: 0.8,
  heatLoss: 0.7,
  pace: 0.95,
  buffer: 0.4,
} as const;

/** The same of a cloth, its curd and the scale under it. */
export const DRAIN_PERSISTS = {
  wheyReach: 0.5,
  drainTime: 0.6,
  drainExponent: 0.6,
  wheyWanted: 0.5,
  scaleBias: 0.9,
  bowlG: 0.3,
} as const;

/**
 * How makes are heard against one another: the weight of one that stands alone; how far from the others (standard deviations
 * of χ² beyond its mean) one is heard in full; news below so much precision is noise; rounds until the weights have settled.
 */
export const CORROBORATION = { alone: 0.04, beyond: 1.2, leastNews: 0.05, rounds: 4 } as const;

/** How much of a pot's loss, and of a bottle's strength, stays from make to make: a pot is a pot, fruit and bottles differ. */
export const POT_PERSISTS = 0.9;
export const BOTTLE_PERSISTS = 0.7;

/**
 * Heat lost by a covered pot against the usual: standard deviation of its natural logarithm from pot to pot, and of what two
 * temperatures of one cooling say of it. They must be some minutes apart, and the last clearly above the room.
 */
export const POT = { sd: 0.25, readSd: 0.1, leastMin: 15, leastAboveK: 10 } as const;

/**
 * Acid in a bottle or fruit against its label: standard deviation of its natural logarithm; of the pH that shows it (meter and
 * model together), and of how well what was poured is known.
 */
export const BOTTLE = { sd: 0.15, phSd: 0.07, pouredSd: 0.03 } as const;

/** The same of what a maker's hands leave on cloth, pot and spoons. */
export const LOSS_PERSISTS = 0.6;

/**
 * Product that is weighed against the product that is reckoned: standard deviation of its natural logarithm from kitchen to
 * kitchen, and of what one make says of it (what went into tasting, onto the scale's tray).
 */
export const HANDLING = { sd: 0.06, readSd: 0.03 } as const;
