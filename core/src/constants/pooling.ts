/**
 * Share of a member's variance that stays with the culture, the warm place or the milk from batch to batch; the rest is
 * the batch's own luck. A line's growth and souring are its character; how it was kept and measured out is not; a
 * thermostat stands off by the same degrees every night.
 */
export const PERSISTS = {
  vitality: 0.5,
  lag: 0.5,
  mu: 0.7,
  acid: 0.7,
  phShift: 0.4,
  keeperOffsetC: 0.8,
  heatLoss: 0.7,
} as const;

/** The same of a cloth: how far it drains, and how fast. */
export const DRAIN_PERSISTS = { wheyReach: 0.5, drainTime: 0.6 } as const;

/** Standard deviations beyond which a batch counts as odd and pulls no harder (Huber 1964, Ann. Math. Stat. 35, 73). */
export const ODD_BEYOND = 2;
