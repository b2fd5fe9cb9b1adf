import {
  ALPHA_LA,
  BETA_LG_A,
  BETA_LG_B,
  BETA_LG_SHARE_OF_WHEY_PROTEIN,
  BOUGHT_DENATURED,
  GAS_KJ_PER_MOL_K,
  type DenaturationLaw,
} from '../constants/denaturation.js';
import { ZERO_C_IN_K } from '../constants/heat.js';
import type { Treatment } from '../constants/milk.js';

/** Fractions (0–1) of each whey protein still native. */
export interface NativeWhey {
  readonly betaLgA: number;
  readonly betaLgB: number;
  readonly alphaLa: number;
}

export const ALL_NATIVE: NativeWhey = { betaLgA: 1, betaLgB: 1, alphaLa: 1 };

/** What of its whey protein a milk as bought still has native. */
export function nativeAsBought(treatment: Treatment): NativeWhey {
  const lost = BOUGHT_DENATURED[treatment];
  return { betaLgA: 1 - lost, betaLgB: 1 - lost, alphaLa: 1 - lost / 2 };
}

/** Native fractions of two milks poured together, by the whey protein (g) of each. */
export function mixedNative(a: NativeWhey, aG: number, b: NativeWhey, bG: number): NativeWhey {
  if (aG + bG <= 0) return a;
  const mean = (of: keyof NativeWhey) => (a[of] * aG + b[of] * bG) / (aG + bG);
  return { betaLgA: mean('betaLgA'), betaLgB: mean('betaLgB'), alphaLa: mean('alphaLa') };
}

/** Below this temperature (°C) denaturation is under 0.01 % an hour and is not reckoned. */
const COLD_ENOUGH_C = 50;

/** Rate constant in 1/s at a temperature in °C. */
export function denaturationRatePerS(law: DenaturationLaw, tempC: number): number {
  const { eaKJPerMol, lnK0 } = tempC <= law.breakC ? law.below : law.above;
  return Math.exp(lnK0 - eaKJPerMol / (GAS_KJ_PER_MOL_K * (tempC + ZERO_C_IN_K)));
}

/** Native fractions after `minutes` at one temperature (closed form of order 1 or 1.5). */
export function denature(native: NativeWhey, tempC: number, minutes: number): NativeWhey {
  if (tempC < COLD_ENOUGH_C || minutes <= 0) return native;
  return {
    betaLgA: remaining(BETA_LG_A, native.betaLgA, tempC, minutes),
    betaLgB: remaining(BETA_LG_B, native.betaLgB, tempC, minutes),
    alphaLa: remaining(ALPHA_LA, native.alphaLa, tempC, minutes),
  };
}

function remaining(law: DenaturationLaw, native: number, tempC: number, minutes: number): number {
  const extent = denaturationRatePerS(law, tempC) * minutes * 60;
  if (law.order === 1) return native * Math.exp(-extent);
  return (native ** -0.5 + 0.5 * extent) ** -2;
}

/** Denatured β-lactoglobulin, mean of the two variants, fraction 0–1. */
export function denaturedBetaLg(native: NativeWhey): number {
  return 1 - (native.betaLgA + native.betaLgB) / 2;
}

/** Denatured share of all whey protein, fraction 0–1. */
export function denaturedWhey(native: NativeWhey): number {
  const betaShare = BETA_LG_SHARE_OF_WHEY_PROTEIN;
  return betaShare * denaturedBetaLg(native) + (1 - betaShare) * (1 - native.alphaLa);
}

/** One point of a temperature trace; time in minutes from its start. */
export interface TracePoint {
  readonly min: number;
  readonly tempC: number;
}

/** Longest step, in °C, over which one temperature stands for a sloping trace. */
const TRACE_STEP_C = 0.25;

/** Calls back for short pieces of a trace that is linear between its points: mid temperature and minutes. */
export function alongTrace(trace: readonly TracePoint[], visit: (tempC: number, minutes: number) => void): void {
  for (let i = 1; i < trace.length; i++) {
    const from = trace[i - 1]!;
    const to = trace[i]!;
    const pieces = Math.max(1, Math.ceil(Math.abs(to.tempC - from.tempC) / TRACE_STEP_C));
    const minutes = (to.min - from.min) / pieces;
    for (let p = 0; p < pieces; p++) {
      visit(from.tempC + ((to.tempC - from.tempC) * (p + 0.5)) / pieces, minutes);
    }
  }
}

/** Native fractions after a whole temperature trace. */
export function denatureAlong(trace: readonly TracePoint[], start: NativeWhey = ALL_NATIVE): NativeWhey {
  let native = start;
  alongTrace(trace, (tempC, minutes) => {
    native = denature(native, tempC, minutes);
  });
  return native;
}
