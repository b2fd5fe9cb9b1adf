import type { Batch } from '../batch/replay.js';

/** Something that was seen of a line in one of its generations. */
export interface Point {
  readonly generation: number;
  readonly value: number;
}

/** Fewer makes than this show no drift. */
const ENOUGH = 3;

/** What a value gains from generation to generation, by the straight line of least squares; null where too few makes tell. */
export function perGeneration(points: readonly Point[]): number | null {
  if (points.length < ENOUGH || new Set(points.map((p) => p.generation)).size < 2) return null;
  const mean = (of: (p: Point) => number) => points.reduce((sum, p) => sum + of(p), 0) / points.length;
  const [meanG, meanV] = [mean((p) => p.generation), mean((p) => p.value)];
  const across = mean((p) => (p.generation - meanG) * (p.value - meanV));
  return across / mean((p) => (p.generation - meanG) ** 2);
}

/** What a make of a line tasted like, 1 (mild) to 5 (sharp), as its maker marked it. */
export interface Tasted {
  readonly batchId: string;
  readonly generation: number;
  readonly atMs: number;
  readonly sourness: number;
}

/** The marks of sourness that finished makes were given, oldest first; those without marks are left out. */
export function tastedOf(makes: readonly Batch[]): readonly Tasted[] {
  return makes
    .flatMap(({ id, choices, startedMs, ended }) => {
      const score = ended?.how === 'finished' ? ended.score : null;
      if (!score) return [];
      return [
        { batchId: id, generation: Number(choices['generation'] ?? 0), atMs: startedMs, sourness: score.sourness },
      ];
    })
    .sort((a, b) => a.atMs - b.atMs);
}

/** A line counts as turned sour from this mark, and where it has gained so many since its first makes. */
const SHARP = 4;
const GAINED = 1;
const EACH_END = 2;

/** How sharp a line was when it was first marked and how sharp it is now, where it has turned sour; else null. */
export function turnedSour(tasted: readonly Tasted[]): { readonly from: number; readonly to: number } | null {
  if (tasted.length < ENOUGH) return null;
  const mean = (of: readonly Tasted[]) => of.reduce((sum, t) => sum + t.sourness, 0) / of.length;
  const [from, to] = [mean(tasted.slice(0, EACH_END)), mean(tasted.slice(-EACH_END))];
  return to >= SHARP && to - from >= GAINED ? { from, to } : null;
}
