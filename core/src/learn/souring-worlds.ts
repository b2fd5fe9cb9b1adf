import { CULTURES, type Culture, type CultureId } from '../constants/cultures.js';
import { READING_SD } from '../constants/evidence.js';
import { PACE_SD } from '../constants/starter.js';
import { MEMBER_SPREAD } from '../environment/environment.js';
import { DIMS, placeOffsetC, priorOf, runEnsemble, SCORES, type SouringProblem } from '../forecast/souring-ensemble.js';
import { forecastSouring, type ForecastOptions, type SouringForecast } from '../forecast/souring-forecast.js';
import { souringLaw } from '../physics/souring.js';
import { normals, seededRandom } from '../random/random.js';

/** A world that a forecast is tried in: the truth is drawn from the prior, but for what is otherwise in it. */
export interface SouringWorld {
  readonly name: string;
  readonly problem: SouringProblem;
  /** Scores that are fixed in this world, in standard deviations of the prior. */
  readonly otherwise: Readonly<Partial<Record<(typeof SCORES)[number], number>>>;
  /** Least share of windows that must hold the truth: unread, after one pH reading half-way, after two. */
  readonly atLeast: readonly [number, number, number];
}

/** Shares of windows P10–P90 that held the truth, and their median width (min): unread, after one reading, after two. */
export interface Coverage {
  readonly held: readonly number[];
  readonly widthMin: readonly number[];
}

/** Fresh starter in plain whole milk. */
function sown(id: CultureId, tempC: number, dose: number, targetPh: number, horizonH: number): SouringProblem {
  return {
    law: souringLaw(CULTURES[id], { proteinGPerKg: 33, mineralsGPerKg: 7.3, freshPh: 6.65 }),
    biomass: dose * CULTURES[id].biomassPerDose,
    lagQ: CULTURES[id].lagQActive,
    lacticMolPerKg: 0.085 * dose,
    tempC,
    place: { aroundC: tempC, tauMin: 120 },
    targetPh,
    gelPh: 5.28,
    horizonMin: horizonH * 60,
  };
}

export const YOGURT = sown('thermophilic', 43, 0.025, 4.6, 24);
const COUNTER = sown('mesophilic', 21.5, 0.02, 4.6, 72);

/** The score of a culture that works so much faster, of one with so much of the usual activity, of a place so much warmer. */
export const pace = (factor: number) => ({ pace: Math.log(factor) / PACE_SD.active });
export const activity = ({ spread }: Culture, factor: number) => ({ activity: Math.log(factor) / spread.activity });

/** The score at which a place stands off by so many degrees, by halving. */
export const warmer = (deltaC: number) => {
  let [low, high] = [-4, 4];
  while (high - low > 1e-6) {
    const middle = (low + high) / 2;
    if (placeOffsetC(middle) < deltaC) low = middle;
    else high = middle;
  }
  return { incubatorOffsetC: low };
};
const buffer = (factor: number) => ({ buffer: Math.log(factor) / MEMBER_SPREAD.buffer });

/** The worlds that the forecast of a souring answers for. */
export const SOURING_WORLDS: readonly SouringWorld[] = [
  { name: 'as assumed, 43 °C', problem: YOGURT, otherwise: {}, atLeast: [0.76, 0.76, 0.76] },
  { name: 'as assumed, counter', problem: COUNTER, otherwise: {}, atLeast: [0.76, 0.76, 0.76] },
  { name: 'culture 25 % slower, 43 °C', problem: YOGURT, otherwise: pace(0.75), atLeast: [0.5, 0.65, 0.75] },
  { name: 'culture 25 % faster, 43 °C', problem: YOGURT, otherwise: pace(1.25), atLeast: [0.5, 0.65, 0.75] },
  { name: 'culture 25 % slower, counter', problem: COUNTER, otherwise: pace(0.75), atLeast: [0.5, 0.65, 0.75] },
  { name: 'culture 25 % faster, counter', problem: COUNTER, otherwise: pace(1.25), atLeast: [0.5, 0.65, 0.75] },
  { name: 'counter 1.5 °C colder', problem: COUNTER, otherwise: warmer(-1.5), atLeast: [0.65, 0.7, 0.75] },
  { name: 'counter 1.5 °C warmer', problem: COUNTER, otherwise: warmer(1.5), atLeast: [0.65, 0.7, 0.75] },
  { name: 'buffer 10 % more', problem: YOGURT, otherwise: buffer(1.1), atLeast: [0.65, 0.7, 0.75] },
  { name: 'buffer 10 % less', problem: YOGURT, otherwise: buffer(0.9), atLeast: [0.65, 0.7, 0.75] },
];

/** Shares of the way to its end at which a batch's pH is read: half-way, then again. */
const READ_AT = [0.5, 0.75] as const;

/**
 * How often the window holds the truth in a world, after no, one and two readings by a pH meter. Only batches that are
 * ready within the horizon are counted.
 */
export function souringCoverage(
  { problem, otherwise }: SouringWorld,
  batches: number,
  seed: number,
  options: Omit<ForecastOptions, 'seed' | 'fanPoints'> = { members: 600 },
): Coverage {
  const random = seededRandom(seed);
  const normal = normals(random);
  const unread = forecastSouring(problem, [], { members: 4000, seed, fanPoints: 0 });
  const held = [0, 0, 0];
  const widths: number[][] = [[], [], []];
  for (let batch = 0; batch < batches; batch++) {
    const scores = drawn(otherwise, normal, random);
    const readyMin = runEnsemble(problem, scores, 1, []).readyMin[0]!;
    if (readyMin === Infinity) {
      batch--;
      continue;
    }
    const asked = READ_AT.map((share) => Math.round(share * readyMin));
    const { phAt } = runEnsemble(problem, scores, 1, asked);
    const readings = asked.map((min, i) => {
      const ph = phAt[i]! + READING_SD.phMeter * normal();
      return { min, ph, by: 'meter' as const };
    });
    for (let read = 0; read <= READ_AT.length; read++) {
      const { p10Min, p90Min }: SouringForecast =
        read === 0
          ? unread
          : forecastSouring(problem, readings.slice(0, read), { ...options, seed: batch + 1, fanPoints: 0 });
      const [from, to] = [p10Min ?? Infinity, p90Min ?? Infinity];
      if (readyMin >= from && readyMin <= to) held[read]!++;
      // A window with no end, as of a culture that may be dead, is wider than any other.
      widths[read]!.push(to === Infinity ? Infinity : to - from);
    }
  }
  return {
    held: held.map((n) => n / batches),
    widthMin: widths.map((all) => Float64Array.from(all).sort()[all.length >> 1]!),
  };
}

function drawn(otherwise: SouringWorld['otherwise'], normal: () => number, random: () => number): Float64Array {
  const scores = new Float64Array(DIMS);
  priorOf({}).draw(normal, random, scores, 0);
  for (const [score, value] of Object.entries(otherwise))
    scores[SCORES.indexOf(score as (typeof SCORES)[number])] = value;
  return scores;
}
