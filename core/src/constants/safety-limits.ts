/**
 * Every limit of safety that the engine knows, with its unit and source: sheet, live page, finish, record and server ask here.
 * They are usual limits, not legal advice: the local food code and licensed practice come first.
 */

/** pH from which on acid guards (FDA Food Code 1-201.10: 4.6). */
export const SAFE_PH = 4.6;

/** Time counts as warm between these temperatures (°C, FDA Food Code 3-501) while pH is above the safe one. */
export const WARM_ABOVE_C = 5;
export const WARM_BELOW_C = 57;

/** Hours warm and not yet sour from which on it is watched (FDA Food Code 3-501.19 allows four; cultures need longer, and are followed). */
export const WARM_WATCH_H = 12;

/**
 * Time of a souring against the forecast of a usual starter before anything was read: watched, held and discarded beyond
 * these (acid in time, usual in home and farm dairies; twice the time with nothing that shows acid is given up).
 */
export const OVERDUE = { watch: 1.4, hold: 1.7, discard: 2 } as const;

/** Limits of cooling for food that acid does not keep (FDA Food Code 3-501.14): °C and minutes. */
export const COOLING = { hotC: 57, middleC: 21, coldC: 5, firstMin: 120, allMin: 360 } as const;

/** Egg in a cooked make comes to this, °C (FDA Food Code 3-401.11: 74 °C, instantaneous). */
export const EGG_SAFE_C = 74;

/** Calcium chloride, g per kg of milk at most (21 CFR 184.1193: good practice; 0.2 g/kg is usual). */
export const CALCIUM_MOST_G_PER_KG = 0.2;
