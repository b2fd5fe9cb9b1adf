import { CUE_MODELS, READING_SD, WRONG } from '../constants/evidence.js';

/** Something measured or looked at during souring; `min` counts from the start of the souring. */
export type SouringReading =
  | { readonly min: number; readonly ph: number; readonly by: 'meter' | 'strip' }
  | { readonly min: number; readonly cue: string; readonly answer: string };

/** Likelihood of a reading given a member's pH, with the chance that the reading is simply wrong. */
export interface Likelihood {
  /** Natural logarithm of the likelihood. */
  readonly log: number;
  /** Chance (0–1) that the reading is wrong, were this member the truth. */
  readonly wrong: number;
}

/** Likelihood of one reading for a crock at `ph` whose milk gels at `gelPh`; where that is null, how it has set says nothing. */
export function readingLikelihood(reading: SouringReading, ph: number, gelPh: number | null): Likelihood {
  const [right, wide] = 'ph' in reading ? phDensities(reading, ph) : cueChances(reading, ph, gelPh);
  const good = (1 - WRONG.chance) * right;
  const bad = WRONG.chance * wide;
  return { log: Math.log(good + bad), wrong: bad / (good + bad) };
}

function phDensities(reading: { ph: number; by: 'meter' | 'strip' }, ph: number): [number, number] {
  const instrument = reading.by === 'meter' ? READING_SD.phMeter : READING_SD.phStrip;
  const sd = Math.hypot(instrument, READING_SD.phModel);
  return [gaussian(reading.ph - ph, sd), gaussian(reading.ph - ph, sd * WRONG.widerBy)];
}

function gaussian(difference: number, sd: number): number {
  return Math.exp(-0.5 * (difference / sd) ** 2) / sd;
}

function cueChances(reading: { cue: string; answer: string }, ph: number, gelPh: number | null): [number, number] {
  const model = CUE_MODELS[reading.cue];
  const n = model?.answers.indexOf(reading.answer) ?? -1;
  if (!model || n < 0 || (model.reads === 'belowGelPoint' && gelPh === null)) return [1, 1];
  const quantity = model.reads === 'acid' ? -ph : gelPh! - ph;
  const atLeast = (k: number) =>
    k <= 0
      ? 1
      : k > model.thresholds.length
        ? 0
        : 1 / (1 + Math.exp((model.thresholds[k - 1]! - quantity) / model.slope));
  return [Math.max(1e-12, atLeast(n) - atLeast(n + 1)), 1 / model.answers.length];
}

/** True for cues that say something of a souring. */
export function isSouringCue(cue: string): boolean {
  return cue in CUE_MODELS;
}
