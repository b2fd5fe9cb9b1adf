import { DRAIN_READING } from '../constants/evidence.js';
import { DRAINAGE_EXPONENT } from '../constants/drainage.js';
import { MEMBER_SPREAD } from '../environment/environment.js';
import { forecastDrain } from '../forecast/drain-forecast.js';
import { minutesForWhey, wheyAfter } from '../physics/drainage.js';
import { normals, seededRandom } from '../random/random.js';
import type { Coverage } from './souring-worlds.js';

/** A world that the forecast of a straining is tried in: the truth is drawn from the prior, but for what is otherwise in it. */
export interface StrainingWorld {
  readonly name: string;
  /** The exponent it really drains by, the whey it must really lose against the reckoned, what the scale shows of it. */
  readonly otherwise: { readonly exponent?: number; readonly wanted?: number; readonly scale?: number };
  /** Least share of windows that must hold the truth after three weighings. */
  readonly atLeast: number;
}

export const STRAINING_WORLDS: readonly StrainingWorld[] = [
  { name: 'as assumed', otherwise: {}, atLeast: 0.76 },
  { name: 'exponent 0.55', otherwise: { exponent: 0.55 }, atLeast: 0.7 },
  { name: 'exponent 0.9', otherwise: { exponent: 0.9 }, atLeast: 0.7 },
  { name: '4 % more whey wanted', otherwise: { wanted: 1.04 }, atLeast: 0.7 },
  { name: 'a bowl 5 % low', otherwise: { scale: 0.95 }, atLeast: 0.7 },
];

/** Yogurt of a kilo, hung in the cold, from 13 to 21 % solids. */
const NOMINAL = { wheyEndG: 600, tauMin: 190 } as const;
const WANTED_G = 450;
/** Shares of the nominal time at which the whey is weighed. */
const WEIGHED_AT = [0.25, 0.5, 0.75] as const;

/** How often the window holds the truth in a world: unweighed, and after three weighings. */
export function strainingCoverage(
  { otherwise }: StrainingWorld,
  batches: number,
  seed: number,
  members = 1000,
): Coverage {
  const normal = normals(seededRandom(seed));
  const nominalMin = minutesForWhey(NOMINAL, WANTED_G)!;
  const unread = forecastDrain(NOMINAL, WANTED_G, [], { members: 4000, seed });
  const held = [0, 0];
  const widths: number[][] = [[], []];
  for (let batch = 0; batch < batches; batch++) {
    const truth = {
      wheyEndG: NOMINAL.wheyEndG * Math.exp(MEMBER_SPREAD.wheyReach * normal()),
      tauMin: NOMINAL.tauMin * Math.exp(MEMBER_SPREAD.drainTime * normal()),
      exponent: otherwise.exponent ?? DRAINAGE_EXPONENT * Math.exp(MEMBER_SPREAD.drainExponent * normal()),
    };
    const wantedG = WANTED_G * (otherwise.wanted ?? Math.exp(DRAIN_READING.wantedSd * normal()));
    const scale = otherwise.scale ?? Math.exp(DRAIN_READING.scaleSd * normal());
    const bowlG = DRAIN_READING.bowlSdG * normal();
    const sdG = Math.hypot(DRAIN_READING.sdG, DRAIN_READING.sdShare * NOMINAL.wheyEndG);
    const weighed = WEIGHED_AT.map((share) => {
      const min = share * nominalMin;
      return { min, wheyG: scale * wheyAfter(truth, min) + bowlG + sdG * normal() };
    });
    const readyMin = minutesForWhey(truth, wantedG) ?? Infinity;
    [unread, forecastDrain(NOMINAL, WANTED_G, weighed, { members, seed: batch + 1 })].forEach((forecast, i) => {
      const [from, to] = [forecast.p10Min ?? Infinity, forecast.p90Min ?? Infinity];
      if (readyMin >= from && readyMin <= to) held[i]!++;
      widths[i]!.push(to - from);
    });
  }
  return {
    held: held.map((n) => n / batches),
    widthMin: widths.map((all) => all.sort((a, b) => a - b)[all.length >> 1]!),
  };
}
