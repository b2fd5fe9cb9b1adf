import { CUE_MODELS } from '../constants/evidence.js';
import { pastGelling, type CrockState } from '../state/crock-state.js';

/** An answer that somebody who looks will come to give, and from when. */
export interface ExpectedCue {
  readonly cue: string;
  readonly answer: string;
  /** Minute of the make. */
  readonly fromMin: number;
}

/**
 * When each thing to look at is expected to change along the states of a souring: the moment at which the hidden pH or
 * gel passes the threshold at which as many say one answer as the next (see CUE_MODELS). What was so from the beginning
 * is left out.
 */
export function expectedCues(states: readonly CrockState[]): readonly ExpectedCue[] {
  const soured = states.filter((s) => s.souring !== null);
  return Object.entries(CUE_MODELS)
    .flatMap(([cue, { answers, reads, thresholds }]) =>
      thresholds.flatMap((threshold, i) => {
        const quantity = (s: CrockState) => (reads === 'acid' ? -s.ph : pastGelling(s));
        const at = soured.findIndex((s) => quantity(s) >= threshold);
        if (at < 1) return [];
        const before = soured[at - 1]!;
        const after = soured[at]!;
        const share = (threshold - quantity(before)) / (quantity(after) - quantity(before));
        const fromMin = before.minute + Math.min(1, Math.max(0, share)) * (after.minute - before.minute);
        return [{ cue, answer: answers[i + 1]!, fromMin }];
      }),
    )
    .sort((a, b) => a.fromMin - b.fromMin);
}
