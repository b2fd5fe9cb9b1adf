import { bothTails } from '../random/normal.js';
import { seededRandom } from '../random/random.js';
import { middle, middleOfSorted } from './scorecard.js';

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
/** From so many in each group on, a sum of ranks is as good as normal, and nothing needs to be shuffled. */
const NORMAL_FROM = 25;
const Z_90 = 1.645;

/**
 * Chance that two groups differ by so much in their ranks where nothing changed (Mann and Whitney 1947, Ann. Math. Stat. 18:50): by
 * shuffling which make is in which group, so that few makes and odd figures are no trouble; of large groups by the normal law, with
 * the variance that equal figures leave. 1 where there are too few to say anything.
 */
export function shiftChance(before: readonly number[], after: readonly number[], seed: number): number {
  const ranks = ranksOf([...before, ...after]);
  const [whole, smaller] = [ranks.length, Math.min(before.length, after.length)];
  if (smaller < LEAST_MAKES) return 1;
  const expected = (smaller * (whole + 1)) / 2;
  // What the ranks of the smaller group come to says all: those of the other are the rest.
  const ofSmaller = before.length <= after.length ? ranks.slice(0, smaller) : ranks.slice(-smaller);
  const off = Math.abs(sum(ofSmaller) - expected);
  if (smaller >= NORMAL_FROM) {
    const variance = (smaller * (whole - smaller) * squaresOff(ranks)) / (whole * (whole - 1));
    return variance > 0 ? bothTails(Math.max(0, off - 0.5) / Math.sqrt(variance)) : 1;
  }
  return chance(ranks, smaller, (drawn) => Math.abs(sum(drawn) - expected) >= off - 1e-9, seed);
}

/** How two groups differ, by Hodges and Lehmann 1963 (Ann. Math. Stat. 34:598). */
export function shiftOf(before: readonly number[], after: readonly number[]): Omit<Shift, 'p'> {
  const [m, n] = [before.length, after.length];
  const differences = Float64Array.from({ length: m * n }, (_, i) => after[i % n]! - before[Math.floor(i / n)]!).sort();
  const k = Math.max(0, Math.floor((m * n) / 2 - Z_90 * Math.sqrt((m * n * (m + n + 1)) / 12)));
  return {
    before: middle(before),
    after: middle(after),
    makesBefore: m,
    makesAfter: n,
    by: middleOfSorted(differences),
    byFrom: differences[k]!,
    byTo: differences[differences.length - 1 - k]!,
  };
}

/** Chance that figures in such an order in time rise or fall as steadily where nothing changes, by ranks (Spearman). */
export function driftChance(values: readonly number[], seed: number): number {
  const ranks = ranksOf(values);
  const mean = (values.length - 1) / 2;
  const slope = (all: readonly number[]) => Math.abs(all.reduce((total, rank, i) => total + (i - mean) * rank, 0));
  const seen = slope(ranks);
  if (values.length >= 2 * NORMAL_FROM) {
    const variance = (squaresOff(ranks.map((_, i) => i)) * squaresOff(ranks)) / (values.length - 1);
    return variance > 0 ? bothTails(seen / Math.sqrt(variance)) : 1;
  }
  return chance(ranks, ranks.length, (shuffled) => slope(shuffled) >= seen - 1e-9, seed);
}

/** How much a figure changes a year, by the middle of all slopes between two makes (Theil and Sen). */
export function driftPerYear(points: readonly { readonly atMs: number; readonly value: number }[]): number {
  const YEAR_MS = 365.25 * 86_400_000;
  const slopes = points.flatMap((a, i) =>
    points.slice(i + 1).flatMap((b) => (b.atMs > a.atMs ? [((b.value - a.value) / (b.atMs - a.atMs)) * YEAR_MS] : [])),
  );
  return middleOfSorted(Float64Array.from(slopes).sort());
}

/** Once something has held in so many shuffles it is chance enough: no more of them are needed. */
const HELD_ENOUGH = 20;

/**
 * Share of shuffles, and of the order as it is, in which something holds of the first so many; where it holds often, of as few
 * shuffles as show that (Besag and Clifford 1991, Biometrika 78:301).
 */
function chance(
  ranks: readonly number[],
  drawn: number,
  holds: (drawn: readonly number[]) => boolean,
  seed: number,
): number {
  const random = seededRandom(seed);
  const shuffled = [...ranks];
  let held = 0;
  for (let turn = 1; turn <= PERMUTATIONS; turn++) {
    for (let i = 0; i < drawn; i++) {
      const j = i + Math.floor(random() * (shuffled.length - i));
      [shuffled[i], shuffled[j]] = [shuffled[j]!, shuffled[i]!];
    }
    if (holds(drawn < shuffled.length ? shuffled.slice(0, drawn) : shuffled)) held++;
    if (held === HELD_ENOUGH) return held / turn;
  }
  return (held + 1) / (PERMUTATIONS + 1);
}

const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);

/** Sum of the squares of how far values are from their mean. */
function squaresOff(values: readonly number[]): number {
  const mean = sum(values) / values.length;
  return sum(values.map((value) => (value - mean) ** 2));
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
