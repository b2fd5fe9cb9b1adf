import { say, type Text } from '../messages/message.js';
/** How a curd is drained. */
export type DrainMethod = 'flat' | 'hung' | 'pressed';

/**
 * Drainage of yogurt and curd: whey(t) = W∞ (1 − exp(−(t/τ)^n)).
 * Solids of the fat-free part at which each method stops by itself (the casein network holds so much serum; fat goes
 * along with it), and τ for 1 kg at 20 °C at its usual depth. Starting constants fitted to kitchen practice: whole-milk
 * yogurt stops near 28, 32 and 40 % solids, lying flat, hung and pressed; 1 kg hung cold is thick in 4 h, spreadable
 * overnight, firm in a day.
 */
export const DRAINAGE: Readonly<Record<DrainMethod, { readonly endFatFree: number; readonly tauMin: number }>> = {
  flat: { endFatFree: 0.185, tauMin: 130 },
  hung: { endFatFree: 0.218, tauMin: 110 },
  pressed: { endFatFree: 0.273, tauMin: 90 },
};

/** Stretching exponent n of the drainage law. */
export const DRAINAGE_EXPONENT = 0.7;

/** Exponents that curds are known to drain by. */
export const EXPONENT_BOUNDS = { least: 0.5, most: 0.95 } as const;

/** Cloth area (cm²) that 1 kg has by each method when none is given: flat in a sieve, hung as a ball, in a mould. */
export const CLOTH_AREA_CM2_AT_1KG = 420;

/** How a cloth is woven: fine (or doubled), or open and single. */
export type Weave = 'fine' | 'open';

/** Shares kept in the curd while whey runs, by the weave, and how much faster an open one lets it run. */
export const RETAINED: Readonly<Record<Weave, { fat: number; casein: number; tauFactor: number }>> = {
  fine: { fat: 0.985, casein: 0.995, tauFactor: 1 },
  open: { fat: 0.95, casein: 0.985, tauFactor: 0.8 },
};

/** Loaded warmer than this (°C) fat is soft, and so many times as much of it goes through. */
export const LOADED_WARM = { fromC: 25, fatLossTimes: 2 } as const;

/**
 * Curd that acid made in hot milk is grains, not gel: it stops drier and gives its whey many times faster. Fitted to
 * kitchen practice: 180–330 g curd from a kg of milk and cream after half an hour in a cloth.
 */
export const GRAINS = { endFatFreeMore: 0.12, tauShare: 0.1 } as const;

/** Cream thickened by acid and heat holds its serum but for this share of it (a day on cloth: "almost no whey drains"). */
export const THICK_CREAM_SYNERESIS = 0.1;

/** Each turning or stirring in the cloth opens new ways: solids of the fat-free part more, and τ by a factor. */
export const TURNING = { endFatFreeMore: 0.012, tauFactor: 0.85, most: 4 } as const;

/** Cut curd has a shorter way out; curd poured and broken blinds its cloth. */
export const CUT_TAU_FACTOR = 0.6;
export const BROKEN_TAU_FACTOR = 1.3;

/** Wanted textures of strained yogurt and of curd, and the solids (fraction) each stands for. */
export const TEXTURES = {
  thick: { solids: 0.17, word: say('constants.drainage.thick') },
  'very-thick': { solids: 0.21, word: say('constants.drainage.veryThick') },
  spreadable: { solids: 0.25, word: say('constants.drainage.spreadable') },
  firm: { solids: 0.3, word: say('constants.drainage.firm') },
  'soft-curd': { solids: 0.34, word: say('constants.drainage.softCurd') },
  'dry-curd': { solids: 0.42, word: say('constants.drainage.dryCurd') },
  pressed: { solids: 0.36, word: say('constants.drainage.pressed') },
  quark: { solids: 0.18, word: say('constants.drainage.quark') },
  'lactic-curd': { solids: 0.26, word: say('constants.drainage.lacticCurd') },
  'cream-cheese': { solids: 0.4, word: say('constants.drainage.creamCheese') },
  'firm-cream-cheese': { solids: 0.45, word: say('constants.drainage.firmCreamCheese') },
} as const satisfies Readonly<Record<string, { readonly solids: number; readonly word: Text }>>;

export type TextureId = keyof typeof TEXTURES;

/** Viscosity of water by the Vogel equation, exp(b / (T − c)) up to a factor, T in K (Vogel 1921, Phys. Z. 22, 645; parameters of the Dortmund Data Bank). */
export const VISCOSITY = { bK: 578.919, cK: 137.546 } as const;
