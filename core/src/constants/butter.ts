/**
 * Fat that buttermilk keeps, percent by mass, against the temperature of churning: 0.3–0.6 at 12 °C, 1.5–2.5 at 21 °C
 * (McDowall 1953, The Buttermaker's Manual; Walstra et al. 2006, ch. 18).
 */
export const BUTTERMILK_FAT = { at12C: 0.45, at21C: 2.0 } as const;

/** Solids-not-fat of butter, percent: what its drops of serum hold. */
export const BUTTER_SNF_PCT = 1.4;

/** Butter by its fat, percent: less is wet, more is hard to reach by hand. */
export const BUTTER_FAT_PCT = { least: 78, usual: 82, most: 87 } as const;

/**
 * Minutes until it breaks: a hand-turned churn or a mixer on its whisk, ripened cream of 36 % fat at 12 °C; shorter
 * when warm, longer when sweet or lean. General practice (20–40 min cold, a few at room temperature); shape after
 * Walstra et al. 2006, ch. 18 (rate of clumping against solid fat and volume of globules).
 */
export const CHURN = {
  minutesAt12C: 20,
  perC: 0.12,
  fatPct: 36,
  fatExponent: 1.5,
  /** How much longer cream of pH 6.6 takes than ripened cream of pH 4.7. */
  sweetLonger: 0.3,
  ripePh: 4.7,
  sweetPh: 6.6,
} as const;

/** Cream outside these is not expected to break: too cold, too warm (°C), too lean (percent fat). */
export const CHURN_LIMITS = { coldestC: 7, warmestC: 25, leanestPct: 20 } as const;

/** Share of a churn that cream may fill: half is air when it foams. */
export const CHURN_FILL = 0.5;

/** Serum left in washed butter, as a share of what it had, below which the wash water runs clear. */
export const WASHED_CLEAR = 0.02;

/** Fat of the grains as they come off the cloth, percent: the rest is trapped buttermilk. */
export const GRAIN_FAT_PCT = 72;

/**
 * Butter left on churn, cloth, board and paddles, as a share. Kitchens report 330–420 g from a litre of 36 % cream where
 * the balance gives 420–440: the loss is a kitchen's own, to be fitted from its weights; this is the middle of them.
 */
export const BUTTER_HANDLING_LOSS = 0.08;
