import { CULTURES, LINES, ACTIVITY_LOSS } from '../constants/cultures.js';
import type { CultureLot } from '../lots/culture-lot.js';

const DAY_MS = 86_400_000;

/** What makes of a line showed of its activity, against what age and store say: mean and standard deviation of its natural logarithm. */
export interface LineShown {
  readonly logMean: number;
  readonly logSd: number;
  /** How many makes it was seen in. */
  readonly makes: number;
}

/** Share (0–1) of a fresh culture's activity, with its spread P10–P90. */
export interface Activity {
  readonly likely: number;
  readonly low: number;
  readonly high: number;
}

/** P10 and P90 of a normal distribution, standard deviations from its mean. */
const TENTH = 1.2816;

/** Share of a fresh culture's activity that its stores have left of it at a moment, decimal logarithm (never above nought). */
function keptLog10({ form, stays }: CultureLot, atMs: number): number {
  return stays.reduce((sum, { store, fromMs }, i) => {
    const untilMs = Math.min(stays[i + 1]?.fromMs ?? atMs, atMs);
    if (untilMs < fromMs) return sum;
    const { atOnce, perDay } = ACTIVITY_LOSS[form][store];
    return sum - atOnce - (perDay * (untilMs - fromMs)) / DAY_MS;
  }, 0);
}

/** Vigour of a culture at a moment by its age, its stores and its generations, as if no make had shown otherwise. */
export function reckonedActivity(lot: CultureLot, atMs: number): number {
  return 10 ** keptLog10(lot, atMs) * (1 - LINES[lot.culture].lossPerGeneration) ** lot.generation;
}

/** Vigour of a culture at a moment; what makes of its line showed moves it and narrows its spread. */
export function activityAt(lot: CultureLot, atMs: number, shown: LineShown | null = null): Activity {
  const { logMean, logSd } = shown ?? { logMean: 0, logSd: CULTURES[lot.culture].spread.activity };
  const likely = reckonedActivity(lot, atMs) * Math.exp(logMean);
  return { likely, low: likely * Math.exp(-TENTH * logSd), high: likely * Math.exp(TENTH * logSd) };
}

/** Moment (ms) at which it will have come down to a share of a fresh one's, where it stays as it is; null within ten years. */
export function fallsTo(lot: CultureLot, share: number, nowMs: number, shown: LineShown | null = null): number | null {
  const { likely } = activityAt(lot, nowMs, shown);
  if (likely <= share) return nowMs;
  const { perDay } = ACTIVITY_LOSS[lot.form][lot.stays.at(-1)!.store];
  const days = Math.log10(likely / share) / perDay;
  return days > 3650 ? null : nowMs + days * DAY_MS;
}
