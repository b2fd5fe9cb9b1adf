import type { Case } from './case.js';

/** Something a batch shows that speaks for a cause (positive) or against it, in log-odds, and in words. */
export interface Evidence {
  readonly weight: number;
  readonly says: string;
}

export const one = (x: number) => x.toFixed(1);
export const pct = (x: number) => `${(100 * x).toFixed(0)} %`;
export const said = (weight: number, says: string): Evidence => ({ weight, says });

/** Evidence from a figure: for the cause beyond one bound, against it beyond another, nothing between or unknown. */
export function figure(
  value: number | null,
  speaksFor: (v: number) => boolean,
  speaksAgainst: (v: number) => boolean,
  words: (v: number) => string,
  weight = 2,
): readonly Evidence[] {
  if (value === null) return [];
  if (speaksFor(value)) return [said(weight, words(value))];
  return speaksAgainst(value) ? [said(-weight, words(value))] : [];
}

/** Evidence from what was looked at: a weight for each answer. */
export function looked(
  c: Case,
  cue: string,
  weights: Readonly<Record<string, number>>,
  words: string,
): readonly Evidence[] {
  const answer = c.seen[cue];
  const weight = answer === undefined ? undefined : weights[answer];
  return weight === undefined ? [] : [said(weight, `${words}: ${answer}.`)];
}

export const activity = (c: Case, low: number, high: number, weight: number) =>
  figure(
    c.activity,
    (v) => v < low,
    (v) => v > high,
    (v) => `Its readings show a starter of ${pct(v)} of the vigour reckoned.`,
    weight,
  );

export const setC = (c: Case, speaksFor: (over: number) => boolean, speaksAgainst: (over: number) => boolean) =>
  c.culture === null || c.meanSetC === null
    ? []
    : figure(
        c.meanSetC - c.culture.growth.optC,
        speaksFor,
        speaksAgainst,
        () => `It soured at ${one(c.meanSetC!)} °C on average; its culture likes ${one(c.culture!.growth.optC)} °C.`,
      );

export const unfolded = (c: Case) =>
  figure(
    c.denatured,
    (d) => d < 0.5,
    (d) => d > 0.85,
    (d) => `${pct(d)} of the whey protein was unfolded.`,
    2.5,
  );
