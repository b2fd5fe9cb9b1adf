import type { Batch } from '../batch/replay.js';
import { methodOf } from '../make/planned.js';
import type { CultureLot } from '../lots/culture-lot.js';
import { grainsPctFor } from './feeding.js';

/** What grains weighed before a batch and after it. */
export interface GrainGrowth {
  readonly batchId: string;
  readonly atMs: number;
  readonly fromG: number;
  readonly toG: number;
  readonly grewPct: number;
}

/** How grains grew in the makes that took all of them, oldest first: those of which they were weighed before and after. */
export function growthOf(lots: readonly CultureLot[], batches: readonly Batch[]): readonly GrainGrowth[] {
  const grains = new Set(lots.filter((lot) => lot.form === 'grains').map((lot) => lot.id));
  return batches
    .flatMap((batch) => {
      if (batch.ended?.how !== 'finished') return [];
      const took = batch.taken.filter((t) => grains.has(t.lotId));
      const fromG = took.reduce((sum, t) => sum + t.massG, 0);
      const toG = batch.readings.findLast((r) => r.quantity === 'grainsG')?.value ?? batch.ended.heldBackG ?? 0;
      if (fromG <= 0 || toG <= 0) return [];
      const grewPct = (100 * (toG - fromG)) / fromG;
      return [{ batchId: batch.id, atMs: batch.startedMs, fromG, toG, grewPct }];
    })
    .sort((a, b) => a.atMs - b.atMs);
}

/** The milk (g) that grains are usually set into: the middle of their last batches; null where there was none. */
export function usualMilkG(lots: readonly CultureLot[], batches: readonly Batch[]): number | null {
  const grains = new Set(lots.filter((lot) => lot.form === 'grains').map((lot) => lot.id));
  const masses = batches
    .filter((b) => methodOf(b).id === 'grain-kefir' && b.taken.some((t) => grains.has(t.lotId)))
    .sort((a, b) => b.startedMs - a.startedMs)
    .slice(0, LAST)
    .map((b) => Number(b.choices['massG']))
    .filter((massG) => massG > 0)
    .sort((a, b) => a - b);
  return masses[Math.floor(masses.length / 2)] ?? null;
}

const LAST = 5;

/** Grains (g) that the usual milk does not need in a room so warm, °C: to be given away, dried, frozen or set into more milk. */
export function spareGrainsG(leftG: number, milkG: number, roomC: number): number {
  return Math.max(0, leftG - (milkG * grainsPctFor(roomC)) / 100);
}
