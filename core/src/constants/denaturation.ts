import type { Treatment } from './milk.js';

/**
 * Rate constants of whey-protein denaturation: k = exp(lnK0 − Ea/RT), k in 1/s on the native fraction.
 * Source: Dannenberg & Kessler (1988), J. Food Sci. 53, 258–263: β-lactoglobulin A and B of order 1.5,
 * α-lactalbumin of order 1; each with a break where unfolding stops limiting.
 */
export interface DenaturationLaw {
  readonly order: 1 | 1.5;
  readonly breakC: number;
  readonly below: { readonly eaKJPerMol: number; readonly lnK0: number };
  readonly above: { readonly eaKJPerMol: number; readonly lnK0: number };
}

export const BETA_LG_A: DenaturationLaw = {
  order: 1.5,
  breakC: 90,
  below: { eaKJPerMol: 265.21, lnK0: 84.16 },
  above: { eaKJPerMol: 54.07, lnK0: 14.41 },
};

export const BETA_LG_B: DenaturationLaw = {
  order: 1.5,
  breakC: 90,
  below: { eaKJPerMol: 279.96, lnK0: 89.43 },
  above: { eaKJPerMol: 47.75, lnK0: 12.66 },
};

export const ALPHA_LA: DenaturationLaw = {
  order: 1,
  breakC: 80,
  below: { eaKJPerMol: 268.56, lnK0: 84.92 },
  above: { eaKJPerMol: 69.01, lnK0: 16.95 },
};

/** Gas constant, kJ/(mol·K). */
export const GAS_KJ_PER_MOL_K = 8.314462618e-3;

/** β-lactoglobulin and α-lactalbumin shares used where one figure for whey protein is wanted (mass of the two). */
export const BETA_LG_SHARE_OF_WHEY_PROTEIN = 0.73;

/**
 * β-lactoglobulin that a milk has lost before it is bought, fraction by its treatment: ultra-heating 40–75 % (138 °C 4 s),
 * milk scalded for yogurt nearly all, ultrafiltered milk is made from pasteurised milk. α-lactalbumin withstands about twice as well.
 */
export const BOUGHT_DENATURED: Readonly<Record<Treatment, number>> = {
  raw: 0,
  '63C-30min': 0.04,
  '72C-15s': 0.02,
  scalded: 0.95,
  'ultra-heated': 0.6,
  ultrafiltered: 0.05,
};
