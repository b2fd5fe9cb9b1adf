import type { Batch } from '../batch/replay.js';
import { cultureOf } from '../stages/culture-of.js';
import { methodOf, plannedOf } from '../make/planned.js';
import type { CultureId } from '../constants/cultures.js';
import { givenBy } from './acts.js';
import type { CultureLot } from '../lots/culture-lot.js';
import { cultureOfMake, type Cultures } from './lineage.js';

/** What a make gives its line. */
export interface Gift {
  readonly lot: CultureLot;
  /** True where the whole make is a starter. */
  readonly whole: boolean;
}

/**
 * The culture that a make gives: what was held back of it, or all of it where it is a feeding; null where it has none.
 *
 * @param massG what was weighed of it
 * @param nowMs when it was put away, where no step says so
 */
export function giftOf(batch: Batch, id: string, massG: number, nowMs: number, all: Cultures): Gift | null {
  const { stages, choices } = plannedOf(batch);
  const culture = cultureOf(stages);
  const whole = methodOf(batch).gives === 'starter';
  const keeps = stages.find((s) => s.kind.keepsBack);
  if (!culture || massG <= 0 || (!whole && !keeps)) return null;
  const parents = cultureOfMake(batch, all);
  const sown = stages.map((s) => s.params as { beside?: CultureId | 'none' }).find((p) => p.beside !== undefined);
  const grains = keeps?.kind.keepsBack?.is === 'grains';
  const taken = parents.map((p) => p.generation);
  const lot = givenBy({
    id,
    name: parents[0]?.name ?? batch.name,
    massG,
    batchId: batch.id,
    culture,
    beside: sown?.beside && sown.beside !== 'none' ? sown.beside : null,
    form: grains ? 'grains' : 'active',
    origin: whole ? 'fed' : 'held back',
    store: grains && choices['then'] === 'next milk' ? 'room' : 'cold',
    generation: taken.length > 0 ? Math.max(...taken) : Number(choices['generation'] ?? 0),
    parents: parents.map((p) => p.id),
    atMs: batch.steps.find((s) => s.stageId === keeps?.id)?.atMs ?? nowMs,
    price: 0,
  });
  return { lot, whole };
}

/** Finished makes that held something back which is not yet among the cultures, newest first. */
export function unclaimed(batches: readonly Batch[], lots: readonly CultureLot[]): readonly Batch[] {
  const claimed = new Set(lots.map((lot) => lot.from));
  return batches
    .filter((b) => b.ended?.how === 'finished' && (b.ended.heldBackG ?? 0) > 0 && !claimed.has(b.id))
    .sort((a, b) => b.ended!.atMs - a.ended!.atMs);
}
