/** Chance that something standard normal is as far from its mean as z, either way: within 2·10⁻⁷ of itself. */
export function bothTails(z: number): number {
  // Chebyshev fit of erfc (Press et al. 1992, Numerical Recipes, 6.2).
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.5 * x);
  return t * Math.exp(-x * x + ERFC.reduceRight((total, c) => total * t + c, 0));
}
const ERFC = [
  -1.26551223, 1.00002368, 0.37409196, 0.09678418, -0.18628806, 0.27886807, -1.13520398, 1.48851587, -0.82215223,
  0.17087277,
] as const;

/** Chance that something standard normal is below z. */
export const normalBelow = (z: number): number => (z < 0 ? bothTails(z) / 2 : 1 - bothTails(z) / 2);

/** What something standard normal is above one time in ten, and three times in ten. */
export const Z_NINE_IN_TEN = 1.2816;
export const Z_THREE_IN_TEN = 0.5244;
