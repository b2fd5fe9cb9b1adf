import { FIRMNESS, FIRMNESS_WORDS, GEL_PH, PLANT_BODY, SYNERESIS } from '../constants/gel.js';

/** What a set milk's texture depends on. */
export interface GelConditions {
  readonly ph: number;
  /** Denatured β-lactoglobulin, fraction 0–1. */
  readonly denatured: number;
  /** Casein of the fat-free part, percent: it is the network between the fat. */
  readonly caseinPct: number;
  readonly fatPct: number;
  /** Temperature at which it set, °C. */
  readonly setTempC: number;
  /** 0 = left alone, 1 = stirred through while setting. */
  readonly disturbed: number;
  /** How far rennet has clotted it, 0–1; 0 when left out. */
  readonly clotted?: number;
}

/** pH at which milk turns from liquid to gel: higher where it was heated, or where rennet is at work (0–1). */
export function gelPointPh(denatured: number, clotted = 0): number {
  return GEL_PH.unheated + GEL_PH.risePerDenatured * denatured + GEL_PH.riseClotted * clotted;
}

/** Firmness index 0–100 (0 before the gel point). */
export function firmnessIndex(gel: GelConditions): number {
  const start = gelPointPh(gel.denatured, gel.clotted);
  if (gel.ph >= start) return 0;
  const progress = Math.min(1.1, (start - gel.ph) / (start - FIRMNESS.fullAtPh));
  const casein = (gel.caseinPct / FIRMNESS.caseinPct) ** FIRMNESS.caseinExponent;
  const heat = FIRMNESS.unheatedShare + (1 - FIRMNESS.unheatedShare) * gel.denatured;
  const fat = Math.max(0.7, 1 + FIRMNESS.fatPerPct * (gel.fatPct - FIRMNESS.referenceFatPct));
  const cool = Math.max(0.4, 1 + FIRMNESS.coolerPerC * (FIRMNESS.setTempC - gel.setTempC));
  const whole = 1 - FIRMNESS.disturbedLoss * gel.disturbed;
  const strength = FIRMNESS.reference * progress ** 0.7 * casein * heat * fat * cool * whole;
  return 100 * (1 - Math.exp(-strength / 66.6));
}

/** What a gel does on a spoon, softest first. */
export type FirmnessWord = (typeof FIRMNESS_WORDS)[number]['word'];

/** The word for a firmness index. */
export function firmnessWord(index: number): FirmnessWord {
  return FIRMNESS_WORDS.findLast((w) => index >= w.from)!.word;
}

/** Shedding index 0–100: how readily whey leaves a gel left standing. */
export function syneresisIndex(gel: GelConditions): number {
  if (gel.ph >= gelPointPh(gel.denatured, gel.clotted)) return 0;
  const warm = SYNERESIS.perCAbove42 * Math.max(0, gel.setTempC - 42);
  const raw = SYNERESIS.undenatured * (1 - gel.denatured);
  const acid = SYNERESIS.perPhBelow42 * Math.max(0, 4.2 - gel.ph);
  const thin = SYNERESIS.lowCasein * Math.max(0, FIRMNESS.caseinPct - gel.caseinPct);
  const index = SYNERESIS.base + warm + raw + acid + thin + SYNERESIS.disturbed * gel.disturbed;
  return Math.min(100, Math.max(0, index));
}

/**
 * Firmness index of a base without casein: fat that sets in the cold (coconut), and plant protein that gels once it is
 * sour (soya, nuts). An index by analogy with {@link firmnessIndex}, fitted to its words: thick coconut cream stands, the
 * whole can wobbles.
 */
export function plantFirmnessIndex({
  ph,
  fatPct,
  proteinPct,
}: {
  ph: number;
  fatPct: number;
  proteinPct: number;
}): number {
  const fat = (fatPct / PLANT_BODY.fatPct) ** PLANT_BODY.fatExponent;
  const protein = ph < PLANT_BODY.gelsBelowPh ? (proteinPct / PLANT_BODY.proteinPct) ** 2 : 0;
  return 100 * -Math.expm1(-(fat + protein));
}
