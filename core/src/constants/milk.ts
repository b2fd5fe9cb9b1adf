/** Casein share of milk protein by mass, 80 : 20 (Walstra et al. 2006, Dairy Science and Technology). */
export const CASEIN_SHARE_OF_PROTEIN = 0.8;

/**
 * Densities at 20 °C in g/mL: dissolved solids-not-fat at their apparent density in milk serum
 * (denser than the dry solids, as water contracts about them; fits whole milk at 1.029–1.033).
 */
export const DENSITY_20C = { snf: 1.608, water: 0.998 } as const;

/**
 * Milk fat melts over a wide span of temperature (Walstra et al. 2006, Dairy Science and Technology, ch. 2): all of it is
 * liquid above `liquidFromC`; below, solid = atColdest · ((liquidFromC − T)/(liquidFromC − coldestC))^shape, which is
 * some 57 % at 5 °C, 26 % at 20 °C. Solid fat is denser: each gram that sets shrinks by `shrinksMlPerG`.
 * Liquid fat: 0.915 g/mL at 20 °C, −0.00065 g/mL·K. With these, fat as a whole is 0.930 g/mL at 20 °C.
 */
export const FAT_MELTING = {
  coldestC: -5,
  liquidFromC: 38,
  atColdest: 0.8,
  shape: 1.3,
  shrinksMlPerG: 0.0683,
  liquidGPerMlAt20C: 0.915,
  liquidSlopeGPerMlK: -0.00065,
  /** Heat taken by a gram of fat that melts from the coldest to wholly liquid, J (Walstra et al. 2006: 80–90). */
  latentJPerG: 85,
} as const;

/** Choi & Okos (1986) water density, kg/m³: 997.18 + 3.1439e-3 T − 3.7574e-3 T². */
export const WATER_DENSITY = { a: 997.18, b: 3.1439e-3, c: -3.7574e-3 } as const;

/** Molar masses, g/mol. */
export const MOLAR_G = {
  lactic: 90.08,
  lactose: 342.3,
  galactose: 180.16,
  glucose: 180.16,
  water: 18.015,
  ethanol: 46.07,
  carbonDioxide: 44.01,
} as const;

/**
 * Specific heat of components, kJ/(kg·K), as a + b·T + c·T² of the temperature T in °C, above 0 °C (Choi & Okos 1986, Food
 * Engineering and Process Applications 1, 93).
 */
export const SPECIFIC_HEAT = {
  water: { a: 4.1762, b: -9.0864e-5, c: 5.4731e-6 },
  protein: { a: 2.0082, b: 1.2089e-3, c: -1.3129e-6 },
  fat: { a: 1.9842, b: 1.4733e-3, c: -4.8008e-6 },
  carbohydrate: { a: 1.5488, b: 1.9625e-3, c: -5.9399e-6 },
  ash: { a: 1.0926, b: 1.8896e-3, c: -3.6817e-6 },
} as const;

/** pH of fresh cow's milk and its spread between herds and seasons (1 standard deviation). */
export const FRESH_COW_PH = { mean: 6.65, sd: 0.04 } as const;

/** Animals whose milk is made into these things. */
export type Species = 'cow' | 'goat' | 'sheep';

/** What was done to a milk before it was bought. */
export type Treatment = 'raw' | '63C-30min' | '72C-15s' | 'scalded' | 'ultra-heated' | 'ultrafiltered';

/** pH of fresh milk: cow 6.5–6.8, goat 6.4–6.7 (Park et al. 2007, Small Rumin. Res. 68, 88), sheep 6.5–6.8. */
export const FRESH_PH: Readonly<Record<Species, number>> = { cow: FRESH_COW_PH.mean, goat: 6.55, sheep: 6.65 };

/** Sodium as a share of the minerals of milk by mass: 0.45 g of 7.3 g per kg (Walstra et al. 2006, table 2.6). */
export const MILK_SODIUM_SHARE_OF_MINERALS = 0.062;

/**
 * Saturated fatty acids as a share of the fat by mass: milk 0.62–0.65 (double cream 33.4 of 53.7 g, whole milk 2.3 of 3.6 g; McCance and
 * Widdowson, The Composition of Foods, 7th ed.), coconut 0.82–0.94 (Codex Stan 210, coconut oil).
 */
export const SATURATED_SHARE_OF_FAT = { milk: 0.64, coconut: 0.87 } as const;

/** Sourer than this (pH) a cream has been soured: it churns as it is, and is no sweet cream any more. Judgement. */
export const SOUR_CREAM_BELOW_PH = 5.3;
