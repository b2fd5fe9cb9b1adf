/** Milk, and what becomes of it, near enough for what a vessel takes, g/mL. */
export const CROCK_G_PER_ML = 1.03;

/** Room for the starter in a vessel, as a share of the milk: a large dose. */
export const STARTER_ROOM = 0.05;
