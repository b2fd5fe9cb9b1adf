/** How a curd is drained. */
export type DrainMethod = 'flat' | 'hung' | 'pressed';

/**
 * Drainage of yogurt: whey(t) = W∞ (1 − exp(−(t/τ)^n)).
 * Solids at which each method stops by itself, and τ for 1 kg at 20 °C at its usual depth. Starting constants fitted
 * to kitchen practice: 1 kg hung cold is thick in 4 h, spreadable overnight, firm in a day.
 */
export const DRAINAGE: Readonly<Record<DrainMethod, { readonly endSolids: number; readonly tauMin: number }>> = {
  flat: { endSolids: 0.285, tauMin: 130 },
  hung: { endSolids: 0.325, tauMin: 110 },
  pressed: { endSolids: 0.4, tauMin: 90 },
};

/** Stretching exponent n of the drainage law. */
export const DRAINAGE_EXPONENT = 0.7;

/** Cloth area (cm²) that 1 kg has by each method when none is given: flat in a sieve, hung as a ball, in a mould. */
export const CLOTH_AREA_CM2_AT_1KG = 420;

/** Solids (fraction) of the milk for which endSolids holds, and how far it follows a richer or leaner one. */
export const DRAINAGE_REFERENCE_SOLIDS = 0.13;
export const END_SOLIDS_PER_START_SOLIDS = 0.5;

/** Shares kept in the curd while whey runs: fat through a normal weave, casein. */
export const RETAINED = { fat: 0.985, casein: 0.995 } as const;

/**
 * Curd that acid made in hot milk is grains, not gel: it stops drier and gives its whey many times faster. Fitted to
 * kitchen practice: 180–330 g curd from a kg of milk and cream after half an hour in a cloth.
 */
export const GRAINS = { endSolidsMore: 0.18, tauShare: 0.12 } as const;

/** Wanted textures of strained yogurt and of curd, and the solids (fraction) each stands for. */
export const TEXTURES = {
  thick: { solids: 0.17, word: 'thick' },
  'very-thick': { solids: 0.21, word: 'very thick' },
  spreadable: { solids: 0.25, word: 'spreadable' },
  firm: { solids: 0.3, word: 'firm' },
  'soft-curd': { solids: 0.34, word: 'soft curd' },
  'dry-curd': { solids: 0.42, word: 'dry curd' },
} as const;

export type TextureId = keyof typeof TEXTURES;
