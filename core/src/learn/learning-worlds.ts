import { CUE_MODELS, READING_SD } from '../constants/evidence.js';
import type { SouringReading } from '../assimilate/evidence.js';
import {
  placeOffsetC,
  runEnsemble,
  SCORES,
  STANDARD_PRIOR,
  type SouringProblem,
} from '../forecast/souring-ensemble.js';
import { forecastSouring } from '../forecast/souring-forecast.js';
import { normals, seededRandom } from '../random/random.js';
import { CULTURES } from '../constants/cultures.js';
import { souringOwnedBy, type Owned } from './owners.js';
import { pace, activity, warmer, YOGURT } from './souring-worlds.js';
import { pooled, recall, type Lesson } from './pooled.js';

/** A kitchen whose line or place is otherwise in one thing, and how its makes are read. */
export interface LearningWorld {
  readonly name: string;
  readonly problem: SouringProblem;
  readonly owned: Owned;
  /** Scores that are the kitchen's own, in standard deviations of the prior. */
  readonly own: Readonly<Partial<Record<(typeof SCORES)[number], number>>>;
  readonly reads: 'three pH readings' | 'looks only' | 'temperatures';
  /** After so many makes P50 must be off by no more than so much, min. */
  readonly after: number;
  readonly biasMin: number;
}

const OWNED = souringOwnedBy('A', 'thermostat');
const world = (
  name: string,
  own: LearningWorld['own'],
  reads: LearningWorld['reads'],
  after: number,
  biasMin: number,
): LearningWorld => ({ name, problem: YOGURT, owned: OWNED, own, reads, after, biasMin });

/** The kitchens that learning answers for. */
export const LEARNING_WORLDS: readonly LearningWorld[] = [
  world('as assumed, three pH readings a make', {}, 'three pH readings', 4, 15),
  world('a line 25 % slower, three pH readings a make', pace(0.75), 'three pH readings', 6, 15),
  world('a line 25 % slower, looks only', pace(0.75), 'looks only', 10, 40),
  world('a line of half vigour', activity(CULTURES.thermophilic, 0.5), 'three pH readings', 10, 15),
  world('an incubator 1.5 °C cold, two temperatures a make', warmer(-1.5), 'temperatures', 3, 15),
];

/** What a kitchen's forecasts came to before its first make and after so many. */
export interface Learning {
  readonly makes: number;
  /** Median over kitchens of P50 less the truth, min. */
  readonly biasMin: number;
  /** Share of windows P10–P90 that held the truth. */
  readonly held: number;
  readonly widthMin: number;
  /** Median of each score as it was learned. */
  readonly learned: readonly number[];
}

/** Luck of one make beside what is its kitchen's own: as the prior has it. */
const LUCK = 1;
const FEW = { members: 500, fanPoints: 0 } as const;

/** Forecasts of kitchens after each of some numbers of makes, against the make that came next. */
export function learningIn(
  { problem, owned, own, reads }: Omit<LearningWorld, 'after' | 'biasMin'>,
  kitchens: number,
  after: readonly number[],
  seed: number,
): readonly Learning[] {
  const random = seededRandom(seed);
  const normal = normals(random);
  const truth = () => {
    const scores = Float64Array.from(
      SCORES,
      (score, d) => (own[score] ?? 0) + LUCK * Math.sqrt(1 - owned.persists[d]!) * normal(),
    );
    return { scores, readyMin: runEnsemble(problem, scores, 1, []).readyMin[0]! };
  };
  const seen = after.map(() => ({ bias: [] as number[], width: [] as number[], held: 0, learned: [] as number[][] }));
  for (let kitchen = 0; kitchen < kitchens; kitchen++) {
    const lessons: Lesson[] = [];
    for (let make = 0; make <= Math.max(...after); make++) {
      const { scores, readyMin } = truth();
      const n = after.indexOf(make);
      if (n >= 0) {
        const prior = recall(pooled(lessons), owned, STANDARD_PRIOR);
        const { p10Min, p50Min, p90Min } = forecastSouring({ ...problem, prior }, [], { ...FEW, seed: kitchen + 1 });
        seen[n]!.bias.push((p50Min ?? Infinity) - readyMin);
        seen[n]!.width.push((p90Min ?? Infinity) - (p10Min ?? Infinity));
        if (readyMin >= (p10Min ?? Infinity) && readyMin <= (p90Min ?? Infinity)) seen[n]!.held++;
        seen[n]!.learned.push([...prior.mean]);
      }
      const { readings, temps } = readOf(problem, scores, readyMin, reads, normal, random);
      const { taught } = forecastSouring({ ...problem, temps }, readings, { ...FEW, seed: kitchen + 1 });
      lessons.push({ ...owned, before: STANDARD_PRIOR, taught });
    }
  }
  return seen.map(({ bias, width, held, learned }, n) => ({
    makes: after[n]!,
    biasMin: median(bias),
    held: held / kitchens,
    widthMin: median(width),
    learned: SCORES.map((_, d) => median(learned.map((scores) => scores[d]!))),
  }));
}

function readOf(
  problem: SouringProblem,
  scores: Float64Array,
  readyMin: number,
  reads: LearningWorld['reads'],
  normal: () => number,
  random: () => number,
): Pick<SouringProblem, 'temps'> & { readonly readings: readonly SouringReading[] } {
  const at = (...shares: number[]) => shares.map((share) => Math.round(share * readyMin));
  const phsAt = (minutes: readonly number[]) => Array.from(runEnsemble(problem, scores, 1, minutes).phAt);
  if (reads === 'looks only') {
    const minutes = at(0.6, 0.8, 1);
    const phs = phsAt(minutes);
    return {
      readings: minutes.map((min, i) => ({ min, cue: 'set', answer: lookAt(problem.gelPh! - phs[i]!, random) })),
    };
  }
  const minutes = at(0.4, 0.7, 1);
  const phs = phsAt(minutes);
  const readings = minutes.map((min, i) => ({
    min,
    ph: phs[i]! + READING_SD.phMeter * normal(),
    by: 'meter' as const,
  }));
  if (reads === 'three pH readings') return { readings };
  const offC = placeOffsetC(scores[SCORES.indexOf('incubatorOffsetC')]!);
  const { aroundC, tauMin } = problem.place;
  const temps = at(0.6, 0.9).map((minute) => {
    const tempC = aroundC + offC + (problem.tempC - aroundC - offC) * Math.exp(-minute / tauMin);
    return { minute, tempC: tempC + 0.3 * normal() };
  });
  return { readings, temps };
}

/** What somebody sees of a crock so far (pH) below its gel point. */
function lookAt(below: number, random: () => number): string {
  const { answers, thresholds, slope } = CUE_MODELS['set']!;
  const seen = below + slope * Math.log(1 / Math.max(1e-9, random()) - 1) * -1;
  return answers[thresholds.filter((threshold) => seen >= threshold).length]!;
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1]!;
}
