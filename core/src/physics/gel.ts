import { FIRMNESS, FIRMNESS_WORDS, GEL_PH, SYNERESIS } from '../constants/gel.js';

/** What a set milk's texture depends on. */
export interface GelConditions {
  readonly ph: number;
  /** Denatured β-lactoglobulin, fraction 0–1. */
  readonly denatured: number;
  readonly caseinPct: number;
  readonly fatPct: number;
  /** Temperature at which it set, °C. */
  readonly setTempC: number;
  /** 0 = left alone, 1 = stirred through while setting. */
  readonly disturbed: number;
}

/** pH at which heated milk turns from liquid to gel. */
export function gelPointPh(denatured: number): number {
  return GEL_PH.unheated + GEL_PH.risePerDenatured * denatured;
}

/** Firmness index 0–100 (0 before the gel point). */
export function firmnessIndex(gel: GelConditions): number {
  const start = gelPointPh(gel.denatured);
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

/** The word for a firmness index. */
export function firmnessWord(index: number): string {
  return FIRMNESS_WORDS.findLast((w) => index >= w.from)!.word;
}

/** Shedding index 0–100: how readily whey leaves a gel left standing. */
export function syneresisIndex(gel: GelConditions): number {
  if (gel.ph >= gelPointPh(gel.denatured)) return 0;
  const warm = SYNERESIS.perCAbove42 * Math.max(0, gel.setTempC - 42);
  const raw = SYNERESIS.undenatured * (1 - gel.denatured);
  const acid = SYNERESIS.perPhBelow42 * Math.max(0, 4.2 - gel.ph);
  const thin = SYNERESIS.lowCasein * Math.max(0, FIRMNESS.caseinPct - gel.caseinPct);
  const index = SYNERESIS.base + warm + raw + acid + thin + SYNERESIS.disturbed * gel.disturbed;
  return Math.min(100, Math.max(0, index));
}
