import { FIRMNESS, FIRMNESS_WORDS, GEL_PH, PLANT_BODY, RENNET_GEL, SYNERESIS } from '../constants/gel.js';

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
  /** How far rennet has clotted it, in times of flocculation; 0 when left out. */
  readonly clotted?: number;
}

/** pH at which milk turns from liquid to gel: higher where it was heated, or where rennet has clotted it. */
export function gelPointPh(denatured: number, clotted = 0): number {
  return GEL_PH.unheated + GEL_PH.risePerDenatured * denatured + GEL_PH.riseClotted * Math.min(1, clotted);
}

/** How far rennet alone has made a gel of it: 0 while it runs, 1 where it is as firm as that makes it. */
export function rennetGel(clotted: number): number {
  const { standsFrom, firmFrom } = RENNET_GEL;
  return Math.min(1, Math.max(0, (clotted - standsFrom) / (firmFrom - standsFrom)));
}

/** Of the pH that it takes from running to standing, how much a gel is past its setting: by acid, or what stands for it by rennet. */
export function pastSetting({
  ph,
  denatured,
  clotted = 0,
}: Pick<GelConditions, 'ph' | 'denatured' | 'clotted'>): number {
  const byAcid = gelPointPh(denatured, clotted) - ph;
  return clotted >= RENNET_GEL.standsFrom ? Math.max(byAcid, STANDS_BELOW_GEL_PH * rennetGel(clotted)) : byAcid;
}

/** A gel by acid stands so far (pH) below its gel point. */
const STANDS_BELOW_GEL_PH = 0.6;

/** Firmness index 0–100 (0 before it sets). */
export function firmnessIndex(gel: GelConditions): number {
  const start = gelPointPh(gel.denatured, gel.clotted);
  const byAcid = gel.ph < start ? Math.min(1.1, (start - gel.ph) / (start - FIRMNESS.fullAtPh)) ** 0.7 : 0;
  return 100 * (1 - Math.exp(-Math.max(gelStrength(gel, byAcid), rennetStrength(gel)) / 66.6));
}

/** Rennet sets what was not heated: a share of the firmness of the sour gel, without what heat gives that. */
function rennetStrength(gel: GelConditions): number {
  const share = RENNET_GEL.firmness * rennetGel(gel.clotted ?? 0) * (1 - gel.denatured);
  return share > 0 ? gelStrength({ ...gel, denatured: 1 }, share) : 0;
}

/** Strength of a gel that has come so far (1 = to its full). */
function gelStrength(gel: GelConditions, progress: number): number {
  const casein = (gel.caseinPct / FIRMNESS.caseinPct) ** FIRMNESS.caseinExponent;
  const heat = FIRMNESS.unheatedShare + (1 - FIRMNESS.unheatedShare) * gel.denatured;
  const fat = Math.max(0.7, 1 + FIRMNESS.fatPerPct * (gel.fatPct - FIRMNESS.referenceFatPct));
  const cool = Math.max(0.4, 1 + FIRMNESS.coolerPerC * (FIRMNESS.setTempC - gel.setTempC));
  const whole = 1 - FIRMNESS.disturbedLoss * gel.disturbed;
  return FIRMNESS.reference * progress * casein * heat * fat * cool * whole;
}

/** What a gel does on a spoon, softest first. */
export type FirmnessWord = (typeof FIRMNESS_WORDS)[number]['word'];

/** The word for a firmness index. */
export function firmnessWord(index: number): FirmnessWord {
  return FIRMNESS_WORDS.findLast((w) => index >= w.from)!.word;
}

/** Shedding index 0–100: how readily whey leaves a gel left standing. */
export function syneresisIndex(gel: GelConditions): number {
  if (pastSetting(gel) <= 0) return 0;
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
