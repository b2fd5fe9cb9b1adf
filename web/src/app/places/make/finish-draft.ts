import type { Score } from '@oat-crock/core';
import { keepHere, keptHere } from '../../state/kept-here';

const KEY = 'oat-crock.finishing';

/** What was typed of a make that is about to be finished; what was not touched is not in it. */
export interface FinishDraft {
  readonly productG?: number | null;
  readonly wheyG?: number | null;
  readonly heldBackG?: number | null;
  readonly asideG?: number | null;
  readonly pots?: number | null;
  readonly words?: string;
  readonly score?: Partial<Record<keyof Score, number>>;
  /** Names of the left-overs that the larder takes in. */
  readonly intoLarder?: readonly string[];
  /** What lives of it is not wanted among the cultures. */
  readonly noCulture?: boolean;
}

/** What was typed of a make when its page was left; empty where nothing was. */
export function keptFinish(batchId: string): FinishDraft {
  return keptHere(KEY, isDraft)?.[batchId] ?? {};
}

/** Keeps what was typed of a make in the browser; null lets it go. */
export function keepFinish(batchId: string, draft: FinishDraft | null): void {
  const others = Object.entries(keptHere(KEY, isDraft) ?? {}).filter(([id]) => id !== batchId);
  keepHere(KEY, Object.fromEntries(draft ? [...others, [batchId, draft]] : others));
}

function isDraft(value: unknown): value is FinishDraft {
  if (typeof value !== 'object' || value === null) return false;
  const { productG, wheyG, heldBackG, asideG, pots, words, score, intoLarder, noCulture } = value as FinishDraft;
  const numbers = [productG, wheyG, heldBackG, asideG, pots].every((v) => (v ?? null) === null || Number.isFinite(v));
  const scored = score === undefined || (typeof score === 'object' && Object.values(score).every(Number.isFinite));
  return (
    numbers &&
    scored &&
    typeof (words ?? '') === 'string' &&
    Array.isArray(intoLarder ?? []) &&
    typeof (noCulture ?? false) === 'boolean'
  );
}
