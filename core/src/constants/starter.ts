/** Lactic acid carried by a ripe active starter, mol/kg (pH about 4.4). */
export const STARTER_LACTIC_MOL_PER_KG = 0.085;

/** Solids of a yogurt used as starter, percent by mass, as a whole-milk yogurt. */
export const STARTER_AS_MILK = { fatPct: 3.6, proteinPct: 3.4, lactosePct: 4.7, mineralsPct: 0.72 } as const;
