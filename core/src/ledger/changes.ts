import { seededRandom } from '../random/random.js';
import { middle } from './scorecard.js';

/** How a figure of one group of makes differs from that of another, where that is more than chance makes it differ. */
export interface Shift {
  readonly before: number;
  readonly after: number;
  readonly makesBefore: number;
  readonly makesAfter: number;
  /** How much more it is after: the middle of all differences between one of each, and where it lies nine times in ten. */
  readonly by: number;
  readonly byFrom: number;
  readonly byTo: number;
  /** Chance that it differs as much where nothing changed. */
  readonly p: number;
}

/** Fewer makes than this on either side say nothing. */
export const LEAST_MAKES = 4;

const PERMUTATIONS = 4000;
const Z_90 = 1.645;

/**
 * Compares two groups by their ranks (Mann and Whitney 1947, Ann. Math. Stat. 18:50), its chance by shuffling which make is in which
 * group, so that few makes and odd figures are no trouble; the shift as Hodges and Lehmann 1963 (Ann. Math. Stat. 34:598).
 * Null where there are too few.
 */
export function shiftOf(before: readonly number[], after: readonly number[], seed: number): Shift | null {
  if (before.length < LEAST_MAKES || after.length < LEAST_MAKES) return null;
  const ranks = ranksOf([...before, ...after]);
  const [m, n] = [before.length, after.length];
  const expected = (m * (m + n + 1)) / 2;
  const sumOf = (all: readonly number[]) => all.slice(0, m).reduce((sum, rank) => sum + rank, 0);
  const off = Math.abs(sumOf(ranks) - expected);
  const p = chance(ranks, (shuffled) => Math.abs(sumOf(shuffled) - expected) >= off - 1e-9, seed);
  const differences = before.flatMap((x) => after.map((y) => y - x)).sort((a, b) => a - b);
  const k = Math.max(0, Math.floor((m * n) / 2 - Z_90 * Math.sqrt((m * n * (m + n + 1)) / 12)));
  return {
    before: middle(before),
    after: middle(after),
    makesBefore: m,
    makesAfter: n,
    by: middle(differences),
    byFrom: differences[k]!,
    byTo: differences[differences.length - 1 - k]!,
    p,
  };
}

/** Chance that figures in such an order in time rise or fall as steadily where nothing changes, by ranks (Spearman). */
export function driftChance(values: readonly number[], seed: number): number {
  const ranks = ranksOf(values);
  const mean = (values.length - 1) / 2;
  const slope = (all: readonly number[]) => Math.abs(all.reduce((sum, rank, i) => sum + (i - mean) * rank, 0));
  const seen = slope(ranks);
  return chance(ranks, (shuffled) => slope(shuffled) >= seen - 1e-9, seed);
}

/** How much a figure changes a year, by the middle of all slopes between two makes (Theil and Sen). */
export function driftPerYear(points: readonly { readonly atMs: number; readonly value: number }[]): number {
  const YEAR_MS = 365.25 * 86_400_000;
  const slopes = points.flatMap((a, i) =>
    points.slice(i + 1).flatMap((b) => (b.atMs > a.atMs ? [((b.value - a.value) / (b.atMs - a.atMs)) * YEAR_MS] : [])),
  );
  return middle(slopes);
}

/** Once something has held in so many shuffles it is chance enough: no more of them are needed. */
const HELD_ENOUGH = 20;

/**
 * Share of shuffles, and of the order as it is, in which something holds; where it holds often, of as few shuffles as show that
 * (Besag and Clifford 1991, Biometrika 78:301).
 */
function chance(ranks: readonly number[], holds: (shuffled: readonly number[]) => boolean, seed: number): number {
  const random = seededRandom(seed);
  const shuffled = [...ranks];
  let held = 0;
  for (let turn = 1; turn <= PERMUTATIONS; turn++) {
    for (let i = shuffled.length - 1; i > 0; i--) {
      const j = Math.floor(random() * (i + 1));
      [shuffled[i], shuffled[j]] = [shuffled[j]!, shuffled[i]!];
    }
    if (holds(shuffled)) held++;
    if (held === HELD_ENOUGH) return held / turn;
  }
  return (held + 1) / (PERMUTATIONS + 1);
}

/** Places in the order of their size, from 1; equal ones share theirs. */
function ranksOf(values: readonly number[]): number[] {
  const order = values.map((value, i) => ({ value, i })).sort((a, b) => a.value - b.value);
  const ranks = new Array<number>(values.length);
  for (let from = 0; from < order.length;) {
    let to = from;
    while (to + 1 < order.length && order[to + 1]!.value === order[from]!.value) to++;
    for (let k = from; k <= to; k++) ranks[order[k]!.i] = (from + to) / 2 + 1;
    from = to + 1;
  }
  return ranks;
}

/**
 * Chances of several questions asked at once, each raised so that one time in so many anything at all is said wrongly where nothing
 * changed (Holm 1979, Scand. J. Stat. 6:65).
 */
export function holm(chances: readonly number[]): number[] {
  const order = chances.map((p, i) => ({ p, i })).sort((a, b) => a.p - b.p);
  const adjusted = new Array<number>(chances.length);
  let most = 0;
  order.forEach(({ p, i }, place) => {
    most = Math.max(most, Math.min(1, p * (chances.length - place)));
    adjusted[i] = most;
  });
  return adjusted;
}
