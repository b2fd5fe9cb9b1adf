import { cultureOf, plannedOf, vitality, type Batch } from '@oat-crock/core';

/** A starter held back from a make. */
export interface KeptStarter {
  readonly batchId: string;
  readonly from: string;
  readonly massG: number;
  readonly ageDays: number;
  /** Share of a fresh starter's vigour that is left, 0–1. */
  readonly vigour: number;
  readonly advice: string;
}

const DAY_MS = 86_400_000;
/** Below these shares a starter should be fed, or is past use. */
const WEAK = 0.5;
const SPENT = 0.2;
const SHOWN = 3;

/** The newest starters held back, with the vigour that is left in them. */
export function keptStarters(batches: readonly Batch[], nowMs: number): readonly KeptStarter[] {
  return batches
    .flatMap((batch) => {
      if (batch.ended?.how !== 'finished' || !batch.ended.heldBackG) return [];
      const ageDays = Math.max(0, (nowMs - batch.ended.atMs) / DAY_MS);
      const culture = cultureOf(plannedOf(batch).stages) ?? undefined;
      const vigour = vitality({ form: 'active', store: 'cold', ageDays }, culture);
      return [
        { batchId: batch.id, from: batch.name, massG: batch.ended.heldBackG, ageDays, vigour, advice: advise(vigour) },
      ];
    })
    .sort((a, b) => a.ageDays - b.ageDays)
    .slice(0, SHOWN);
}

function advise(vigour: number): string {
  if (vigour >= WEAK) return 'good for the next make';
  if (vigour >= SPENT) return 'use it now, with a larger dose';
  return 'too weak: start from a fresher one';
}
