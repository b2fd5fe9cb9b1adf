import { EigenvalueDecomposition, inverse, Matrix } from 'ml-matrix';
import { covarianceOf, type ScorePrior, type TaughtScores } from '../assimilate/score-prior.js';
import { CORROBORATION } from '../constants/pooling.js';
import type { LearnedWidth } from './widths.js';

/** What a finished make taught: its scores before and after it was read, and whose each is. */
export interface Lesson {
  /** Whose each score is: a culture's line, a place, a cloth. */
  readonly owners: readonly string[];
  readonly scores: readonly string[];
  /** Share of each score's variance that stays with its owner from make to make; the rest is the make's own luck. */
  readonly persists: readonly number[];
  readonly before: ScorePrior;
  readonly taught: TaughtScores;
}

/** One thing that was learned: a score of an owner, with its mean and standard deviation. */
export interface LearnedScore {
  readonly of: string;
  readonly score: string;
  readonly mean: number;
  readonly sd: number;
  /** Makes it was learned from. */
  readonly makes: number;
}

/** All that a kitchen's makes have taught, jointly: plain data. */
export interface Pooled {
  readonly known: readonly LearnedScore[];
  /** How the scores go together, row after row. */
  readonly covariance: readonly number[];
  /** How much wider than the engine's own windows are to be; absent where none were given yet. */
  readonly widths?: readonly LearnedWidth[];
}

export const NOTHING_LEARNED: Pooled = { known: [], covariance: [] };

/**
 * What makes teach of their owners, by partial pooling (Gelman & Hill 2007, ch. 12) of all scores jointly:
 *
 *   score = u + b,  u ~ N(0, ρ) the owner's own,  b ~ N(0, 1 − ρ) the make's luck.
 *
 * Jointly, as a slow make in an unmeasured place may be a slow culture or a cold place: what one make leaves open,
 * another settles, and nothing is counted twice. A make that the others contradict pulls less (its weight falls with the
 * square of its distance, as in Huber 1964), and one that stands alone hardly pulls: once is no habit.
 */
export function pooled(lessons: readonly Lesson[]): Pooled {
  const names = [...new Map(lessons.flatMap(namesOf).map((name) => [`${name.of} ${name.score}`, name])).values()];
  if (names.length === 0) return NOTHING_LEARNED;
  const indexOf = new Map(names.map(({ of, score }, i) => [`${of} ${score}`, i]));
  const prior = names.map(({ persists }) => 1 / persists);
  const news = lessons.map((lesson) => newsOf(lesson, (of, score) => indexOf.get(`${of} ${score}`)!));
  let weights = news.map(() => 1);
  for (let round = 0; round < CORROBORATION.rounds; round++) {
    weights =
      news.length > 1
        ? news.map((one, i) => weightOf(one, sumOf(prior, news, weights.with(i, 0))))
        : news.map(() => CORROBORATION.alone);
  }
  const { mean, covariance } = sumOf(prior, news, weights);
  return {
    known: names.map(({ of, score }, i) => ({
      of,
      score,
      mean: mean[i]!,
      sd: Math.sqrt(covariance.get(i, i)),
      makes: news.filter(({ at }, n) => at.includes(i) && lessons[n]!.owners.includes(of)).length,
    })),
    covariance: covariance.to1DArray(),
  };
}

const namesOf = ({ owners, scores, persists }: Lesson) =>
  scores.map((score, d) => ({ of: owners[d]!, score, persists: persists[d]! }));

/** What a make says of its owners: precision and precision times mean, its luck counted, and which scores they are of. */
interface News {
  readonly at: readonly number[];
  readonly precision: Matrix;
  readonly pull: readonly number[];
}

/** The make's own likelihood (its posterior with its prior taken out), widened by its luck. */
function newsOf(
  { owners, scores, persists, before, taught }: Lesson,
  indexOf: (of: string, score: string) => number,
): News {
  const n = scores.length;
  const [prior, posterior] = [before, taught].map((of) => inverse(new Matrix(rowsOf(covarianceOf(of), n)))) as [
    Matrix,
    Matrix,
  ];
  const likelihood = nonNegative(Matrix.sub(posterior, prior));
  const pullOf = (precision: Matrix, mean: readonly number[]) => precision.mmul(Matrix.columnVector([...mean]));
  const said = Matrix.sub(pullOf(posterior, taught.mean), pullOf(prior, before.mean));
  const perLuck = Matrix.diag(persists.map((share) => 1 / (1 - share)));
  const kept = Matrix.sub(Matrix.eye(n), likelihood.mmul(inverse(Matrix.add(likelihood, perLuck))));
  return {
    at: scores.map((score, d) => indexOf(owners[d]!, score)),
    precision: symmetric(kept.mmul(likelihood)),
    pull: kept.mmul(said).to1DArray(),
  };
}

interface Sum {
  readonly mean: readonly number[];
  readonly covariance: Matrix;
}

/** Owners' scores from their prior precision and the weighted news of makes. */
function sumOf(prior: readonly number[], news: readonly News[], weights: readonly number[]): Sum {
  const precision = Matrix.diag([...prior]);
  const pull = prior.map(() => 0);
  news.forEach((one, i) => {
    one.at.forEach((row, r) => {
      pull[row]! += weights[i]! * one.pull[r]!;
      one.at.forEach((column, c) =>
        precision.set(row, column, precision.get(row, column) + weights[i]! * one.precision.get(r, c)),
      );
    });
  });
  const covariance = symmetric(inverse(precision));
  return { mean: covariance.mmul(Matrix.columnVector(pull)).to1DArray(), covariance };
}

/** How much a make is heard, by how far it lies from what the others say. */
function weightOf({ at, precision, pull }: News, { mean, covariance }: Sum): number {
  const here = Matrix.columnVector(at.map((i) => mean[i]!));
  const spread = new Matrix(at.map((row) => at.map((column) => covariance.get(row, column))));
  const apart = Matrix.sub(Matrix.columnVector([...pull]), precision.mmul(here));
  const expected = Matrix.add(precision, precision.mmul(spread).mmul(precision));
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(symmetric(expected), {
    assumeSymmetric: true,
  });
  const along = eigenvectorMatrix.transpose().mmul(apart).to1DArray();
  let distance = 0;
  let informed = 0;
  realEigenvalues.forEach((value, d) => {
    if (value < CORROBORATION.leastNews) return;
    distance += along[d]! ** 2 / value;
    informed++;
  });
  const usual = informed + CORROBORATION.beyond * Math.sqrt(2 * informed);
  return distance > usual ? usual / distance : 1;
}

/**
 * The prior of the next make of some owners: what was learned of each, and the make's own luck.
 *
 * @param before what is known of a score whose owner has taught nothing
 */
export function recall(
  { known, covariance }: Pooled,
  { owners, scores, persists }: Pick<Lesson, 'owners' | 'scores' | 'persists'>,
  before: ScorePrior,
): ScorePrior {
  const at = scores.map((score, d) => known.findIndex((k) => k.of === owners[d] && k.score === score));
  const together = (r: number, c: number) => {
    if (at[r]! < 0 || at[c]! < 0) return r === c ? before.sd[r]! ** 2 : 0;
    return covariance[at[r]! * known.length + at[c]!]! + (r === c ? 1 - persists[r]! : 0);
  };
  const n = scores.length;
  const whole = Array.from({ length: n * n }, (_, i) => {
    const [r, c] = [Math.floor(i / n), i % n];
    return together(r, c);
  });
  return {
    mean: at.map((i, d) => (i < 0 ? before.mean[d]! : known[i]!.mean)),
    sd: scores.map((_, d) => Math.sqrt(whole[d * n + d]!)),
    covariance: whole,
  };
}

const rowsOf = (flat: readonly number[], n: number) =>
  Array.from({ length: n }, (_, r) => flat.slice(r * n, (r + 1) * n));

/** The mean of a matrix and its transpose: rounding leaves it a hair off. */
const symmetric = (matrix: Matrix) => Matrix.add(matrix, matrix.transpose()).mul(0.5);

/** A symmetric matrix with what is below nought in it, which is noise of the sample, taken out. */
function nonNegative(matrix: Matrix): Matrix {
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(symmetric(matrix), {
    assumeSymmetric: true,
  });
  const kept = Matrix.diag(realEigenvalues.map((value) => Math.max(0, value)));
  return eigenvectorMatrix.mmul(kept).mmul(eigenvectorMatrix.transpose());
}
