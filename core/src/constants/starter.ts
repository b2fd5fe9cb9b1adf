/** Lactic acid carried by a ripe active starter, mol/kg (pH about 4.4). */
export const STARTER_LACTIC_MOL_PER_KG = 0.085;

/** Solids of a yogurt used as starter, percent by mass, as a whole-milk yogurt. */
export const STARTER_AS_MILK = { fatPct: 3.6, proteinPct: 3.4, lactosePct: 4.7, mineralsPct: 0.72 } as const;

/** A packet of powder brings to the milk that its label says it sets as much as this dose of a live starter, percent by mass. */
export const PACKET_SETS_LIKE_PCT = 2.5;

/** However much powder goes in, the milk is no riper for it than by so much live starter, percent. */
export const PACKETS_LIKE_AT_MOST_PCT = 25;

/** A culture powder lies loosely: g/mL. */
export const POWDER_G_PER_ML = 0.5;

/**
 * Standard deviation of the natural logarithm of a culture's pace (growth and souring together) by what it comes as: the
 * packet of a maker of cultures is narrow; a shop's pot, a friend's jar, grains or what lives in raw milk differ by a
 * quarter or more from the culture that the constants describe.
 */
export const PACE_SD = { 'freeze-dried': 0.1, active: 0.25, grains: 0.25, capsule: 0.3, wild: 0.3 } as const;

/** Chance (0–1) that a starter is dead, by what is left of its activity: enough, tired, or so little that it is given up. */
export const DEAD_CHANCE = { enough: 0.01, tired: 0.05, givenUp: 0.95 } as const;

/** From this chance on a starter is taken for dead: nothing is promised of its make. */
export const TAKEN_FOR_DEAD = 0.5;

/** Under these shares of fresh activity a starter wants a bigger dose, or is given up; frozen milk comes back from less. */
export const TIRED = 0.5;
export const SPENT = 0.1;
export const SPENT_FROZEN = 0.05;
