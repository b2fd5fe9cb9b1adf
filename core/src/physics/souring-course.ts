import { LETHAL_RISE_C } from '../constants/cultures.js';
import { phFall, phFromTable } from './buffer.js';
import { keepAt, LAST_SUGAR, souringRate, sourStep, type SouringCrock, type SouringLaw } from './souring.js';

/** Temperature of a souring crock: measured where it was, else relaxing towards its surroundings. */
export interface TemperatureCourse {
  readonly startC: number;
  readonly aroundC: number;
  /** Time constant of crock and place, min. */
  readonly tauMin: number;
  /** Measured temperature (°C) in each {@link MEASURED_EVERY_MIN} from the start; NaN where there is none. */
  readonly measuredC: Float64Array;
  /** How far the crock is from that because its room is not always as warm (°C), in each {@link SWING_EVERY_MIN}; none where left out. */
  readonly swingC?: Float64Array | undefined;
}

/** Length of the stretches over which measured temperatures are handed in, min. */
export const MEASURED_EVERY_MIN = 10;

/** Length of the stretches over which the room is taken to stand still, min. */
export const SWING_EVERY_MIN = 60;

/** Temperature (°C) of a course at a minute. */
export function temperatureAt(course: TemperatureCourse, min: number): number {
  const { startC, aroundC, tauMin, measuredC, swingC } = course;
  const known = measuredC[Math.floor(min / MEASURED_EVERY_MIN)];
  if (known !== undefined && known === known) return known;
  const swing = swingC?.[Math.floor(min / SWING_EVERY_MIN)] ?? 0;
  return aroundC + swing + (startC - aroundC) * Math.exp(-min / tauMin);
}

/** What is asked of a course. */
export interface CourseQuestions {
  readonly horizonMin: number;
  readonly targetPh: number;
  /** Minutes, ascending, at which pH is wanted. */
  readonly askedMin: readonly number[];
}

/** Where a course puts its pH at the minutes asked: from `offset` on, `stride` apart. */
export interface CourseAnswers {
  readonly phAt: Float32Array;
  readonly offset: number;
  readonly stride: number;
}

/** How far one step may carry a crock, and how far its temperature may move while it lives or dies: chosen so that pH stays within 0.01 of the exact course (see the test). */
const STEP = { fallPh: 0.2, growth: 1, warmC: 2, dyingC: 0.25, shortestMin: 2, longestMin: 240 } as const;

/** Closer than this to its surroundings (°C) a crock's temperature is taken as theirs. */
const SETTLED_C = 0.02;

/**
 * Follows a crock from inoculation to the horizon in steps as long as its souring allows: hours while nothing happens,
 * minutes while pH falls. Between steps the acid is the cubic through both ends and their rates.
 *
 * @param answers where pH at the asked minutes is put
 * @returns minutes to the target pH; Infinity where it is not within the horizon
 */
export function followCourse(
  law: SouringLaw,
  crock: SouringCrock,
  temperature: TemperatureCourse,
  questions: CourseQuestions,
  answers: CourseAnswers,
): number {
  const { phAt, offset, stride } = answers;
  const { askedMin, horizonMin, targetPh } = questions;
  const { aroundC, tauMin, measuredC, swingC } = temperature;
  const measuredUntilMin = measuredC.length * MEASURED_EVERY_MIN;
  const asked = askedMin.length;
  let next = 0;
  let readyMin = Infinity;
  let tempC = temperature.startC;
  let settled = false;
  let min = 0;
  keepAt(law, crock, tempC);
  let rate = souringRate(law, crock);
  while (next < asked && askedMin[next]! <= 0) phAt[offset + stride * next++] = crock.ph;
  while (min < horizonMin && (next < asked || readyMin === Infinity)) {
    const measured = min < measuredUntilMin;
    let dt = measured ? MEASURED_EVERY_MIN : longestStep(law, crock, rate);
    let swing = 0;
    if (swingC) {
      const stretch = (min / SWING_EVERY_MIN) | 0;
      swing = swingC[stretch] ?? 0;
      dt = Math.min(dt, (stretch + 1) * SWING_EVERY_MIN - min);
      if (settled) keepAt(law, crock, aroundC + swing);
    }
    const apartC = tempC - aroundC;
    if (!measured && !settled) {
      settled = Math.abs(apartC) < SETTLED_C;
      if (settled) keepAt(law, crock, aroundC + swing);
      else
        dt = Math.min(
          dt,
          crock.deathPerMin > 0 ? dyingStep(law, temperature, tempC) : (STEP.warmC * tauMin) / Math.abs(apartC),
        );
    }
    if (dt > horizonMin - min) dt = horizonMin - min;

    let endC = tempC;
    if (!settled) {
      const known = measured ? measuredC[(min / MEASURED_EVERY_MIN) | 0]! : NaN;
      const left = Math.exp(-dt / tauMin);
      endC = known === known ? known - swing : aroundC + apartC * left;
      keepAt(law, crock, known === known ? known : aroundC + swing + (apartC * (1 - left) * tauMin) / dt);
    }
    const acid = crock.lacticMolPerKg;
    const ph = crock.ph;
    sourStep(law, crock, dt);
    if (!settled) keepAt(law, crock, (tempC = endC) + swing);
    const rateAfter = souringRate(law, crock);
    const acidAfter = crock.lacticMolPerKg;
    const endMin = min + dt;
    if (next < asked && askedMin[next]! <= endMin) {
      const perDt = 1 / dt;
      const rise = acidAfter - acid;
      const first = rate * dt;
      const third = first + rateAfter * dt - 2 * rise;
      const second = rise - first - third;
      do {
        const u = (askedMin[next]! - min) * perDt;
        phAt[offset + stride * next] =
          phFromTable(law.ph, (acid + u * (first + u * (second + u * third))) * crock.perBuffer) + crock.phShift;
      } while (++next < asked && askedMin[next]! <= endMin);
    }
    if (crock.ph <= targetPh && ph > targetPh) {
      const { perBuffer } = crock;
      const slope = perBuffer * dt;
      readyMin =
        min +
        dt *
          shareWhere(
            targetPh - crock.phShift,
            law,
            acid * perBuffer,
            rate * slope,
            acidAfter * perBuffer,
            rateAfter * slope,
          );
    }
    min += dt;
    rate = rateAfter;
  }
  return readyMin;
}

/** Minutes until pH has fallen, sugar gone or biomass grown by as much as one step may carry. */
function longestStep(law: SouringLaw, crock: SouringCrock, rate: number): number {
  const byFall = STEP.fallPh / (rate * crock.perBuffer * phFall(law.ph, crock.lacticMolPerKg * crock.perBuffer));
  const left = law.lacticEndMolPerKg - crock.lacticMolPerKg;
  const byFallOrSugar = Math.min(byFall, Math.max(left, LAST_SUGAR) / (3 * rate));
  const byGrowth = STEP.growth / (crock.muPerMin * (1 - crock.biomass));
  const dt = byFallOrSugar < byGrowth ? byFallOrSugar : byGrowth;
  return dt < STEP.shortestMin ? STEP.shortestMin : dt < STEP.longestMin ? dt : STEP.longestMin;
}

/** Minutes while it is still lethal, in steps short enough for a death rate that follows the temperature so steeply. */
function dyingStep(law: SouringLaw, { aroundC, tauMin }: TemperatureCourse, tempC: number): number {
  const survivableC = law.culture.growth.maxC + LETHAL_RISE_C - SETTLED_C;
  const dt = (STEP.dyingC * tauMin) / Math.abs(tempC - aroundC);
  if (aroundC >= survivableC) return dt;
  return Math.min(dt, tauMin * Math.log((tempC - aroundC) / (survivableC - aroundC)));
}

/** The cubic through both ends of a step with their slopes (per step), at a share 0–1 of it. */
function between(start: number, startSlope: number, end: number, endSlope: number, share: number): number {
  const rest = 1 - share;
  return (
    rest * rest * (start * (1 + 2 * share) + startSlope * share) +
    share * share * (end * (1 + 2 * rest) - endSlope * rest)
  );
}

const HALVINGS = 12;

/** Share of a step after which the tabulated pH is down to `ph`, by halving. */
function shareWhere(
  ph: number,
  law: SouringLaw,
  start: number,
  startSlope: number,
  end: number,
  endSlope: number,
): number {
  let low = 0;
  let high = 1;
  for (let i = 0; i < HALVINGS; i++) {
    const mid = (low + high) / 2;
    if (phFromTable(law.ph, between(start, startSlope, end, endSlope, mid)) > ph) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}
