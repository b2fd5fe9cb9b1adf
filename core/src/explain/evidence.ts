import { say, type Text } from '../messages/message.js';
import { percent, temp } from '../messages/quantity.js';
import type { Case } from './case.js';

/** Something a batch shows that speaks for a cause (positive) or against it, in log-odds, and in words. */
export interface Evidence {
  readonly weight: number;
  readonly says: Text;
}

export const one = (x: number) => x.toFixed(1);
export const pct = (x: number) => `${(100 * x).toFixed(0)} %`;
export const said = (weight: number, says: Text): Evidence => ({ weight, says });

/** Evidence from a figure: for the cause beyond one bound, against it beyond another, nothing between or unknown. */
export function figure(
  value: number | null,
  speaksFor: (v: number) => boolean,
  speaksAgainst: (v: number) => boolean,
  words: (v: number) => Text,
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
  words: Text,
): readonly Evidence[] {
  const answer = c.seen[cue];
  const weight = answer === undefined ? undefined : weights[answer];
  return answer === undefined || weight === undefined
    ? []
    : [said(weight, say('explain.evidence.seen', { words, answer }))];
}

export const activity = (c: Case, low: number, high: number, weight: number) =>
  figure(
    c.activity,
    (v) => v < low,
    (v) => v > high,
    (v) => say('explain.evidence.readingsShowStarterVigour', { v: percent(100 * v, 0) }),
    weight,
  );

export const setC = (c: Case, speaksFor: (over: number) => boolean, speaksAgainst: (over: number) => boolean) =>
  c.culture === null || c.meanSetC === null
    ? []
    : figure(c.meanSetC - c.culture.growth.optC, speaksFor, speaksAgainst, () =>
        say('explain.evidence.souredAverageCultureLikes', {
          meanSet: temp(c.meanSetC!, 1),
          opt: temp(c.culture!.growth.optC, 1),
        }),
      );

export const unfolded = (c: Case) =>
  figure(
    c.denatured,
    (d) => d < 0.5,
    (d) => d > 0.85,
    (d) => say('explain.evidence.wheyProteinUnfolded', { d: percent(100 * d, 0) }),
    2.5,
  );
