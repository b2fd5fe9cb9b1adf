import {
  keepAt,
  souringCrock,
  ALL_NATIVE,
  bufferMilkOf,
  bufferValue,
  coolingMinutes,
  coolingSurroundings,
  CULTURES,
  denatureAlong,
  denaturedBetaLg,
  drainageCourse,
  forecastDrain,
  forecastSouring,
  gelPointPh,
  lacticForPh,
  makeSheet,
  massesOfMaterial,
  materialDensity,
  materialFromLabel,
  methodById,
  minutesForWhey,
  MOLAR_G,
  pasteurisationAlong,
  phForLactic,
  snfPct,
  sourStep,
  SOURING_STEP_MIN,
  souringLaw,
  STARTER_LACTIC_MOL_PER_KG,
  titratableAcidity,
  vitality,
  wheyAfter,
  wheyForSolids,
  type CoolingMethod,
  type CultureId,
  type DrainMethod,
  type Material,
  type SouringProblem,
  type SouringReading,
  type Starter,
  type TracePoint,
  type Treatment,
} from '@oat-crock/core';
import { InputRefused } from '../problem.js';
import type { Verb } from './schemas.js';

/** Solids of yogurt whey where only the curd's solids are known, fraction. */
const USUAL_WHEY_SOLIDS = 0.063;

/** β-lactoglobulin a milk has lost before it is bought, percent, by its treatment. */
const BOUGHT_DENATURED_PCT: Readonly<Record<Treatment, number>> = {
  raw: 0,
  '63C-30min': 4,
  '72C-15s': 2,
  'ultra-heated': 60,
  ultrafiltered: 5,
};

interface SouringInput {
  culture: CultureId;
  dosePct: number;
  starter: Starter;
  milk: { fatPct: number; proteinPct: number; treatment: Treatment };
  denaturedPct?: number;
  tempC?: number;
  trace?: TracePoint[];
  targetPh: number;
  hours: number;
}

/** What each verb computes from checked input. */
export const VERBS: Readonly<Record<Verb, (input: never) => object>> = {
  density: ({ material, tempC }: { material: Material; tempC: number }) => ({
    gPerMl: materialDensity(material, tempC),
    snfPct: snfPct(material),
  }),

  denature: ({ trace }: { trace: TracePoint[] }) => {
    const native = denatureAlong(trace, ALL_NATIVE);
    const record = pasteurisationAlong(trace);
    return {
      betaLgPct: 100 * denaturedBetaLg(native),
      alphaLaPct: 100 * (1 - native.alphaLa),
      pasteurised: record.share >= 1,
      pair: record.pair,
    };
  },

  cool: (i: { volumeMl: number; startC: number; targetC: number; roomC: number; method: CoolingMethod }) => ({
    min: coolingMinutes(
      massesOfMaterial(materialFromLabel(3.6, 3.3), i.volumeMl * 1.03),
      i.startC,
      i.targetC,
      coolingSurroundings(i.method, i.volumeMl, i.roomC),
    ),
  }),

  acidity: (i: { proteinPct: number; ph?: number; lacticPct?: number }) => {
    const milk = bufferMilkOf(massesOfMaterial(materialFromLabel(3.6, i.proteinPct), 1000));
    const ph = i.ph ?? phForLactic(milk, (i.lacticPct! * 10) / MOLAR_G.lactic);
    return {
      ph,
      lacticPct: (lacticForPh(milk, ph) * MOLAR_G.lactic) / 10,
      taPct: titratableAcidity(milk, ph).pctLactic,
      bufferMmolPerKgPh: bufferValue(milk, ph),
    };
  },

  souring: (i: SouringInput) => souringCourse(i),

  forecast: (i: SouringInput & { readings: DoorReading[]; members: number; seed: number }) => {
    const forecast = forecastSouring(problemOf(i), i.readings.map(namedCue), {
      members: i.members,
      seed: i.seed,
      fanPoints: 49,
    });
    const hours = (min: number | null) => (min === null ? null : min / 60);
    return {
      p10H: hours(forecast.p10Min),
      p50H: hours(forecast.p50Min),
      p90H: hours(forecast.p90Min),
      doubtful: forecast.doubtful,
      series: forecast.fan,
    };
  },

  strain: (i: {
    massG: number;
    solidsPct: number;
    method: DrainMethod;
    clothAreaCm2?: number;
    tempC: number;
    targetSolidsPct: number;
    weighed?: { min: number; wheyG: number }[];
  }) => {
    const solids = i.solidsPct / 100;
    const wheyG = wheyForSolids(i.massG, solids, USUAL_WHEY_SOLIDS, i.targetSolidsPct / 100);
    const course = drainageCourse({ ...i, solids, wheySolids: USUAL_WHEY_SOLIDS });
    const learned = i.weighed?.length ? forecastDrain(course, wheyG, i.weighed) : null;
    const minutes = learned ? learned.p50Min : minutesForWhey(course, wheyG);
    const shown = {
      wheyEndG: course.wheyEndG * (learned?.reachFactor ?? 1),
      tauMin: course.tauMin * (learned?.timeFactor ?? 1),
    };
    const lastMin = minutes ?? 6 * shown.tauMin;
    return {
      productG: i.massG - wheyG,
      wheyG,
      hours: minutes === null ? null : minutes / 60,
      series: Array.from({ length: 25 }, (_, k) => {
        const min = (lastMin * k) / 24;
        return { min, wheyG: wheyAfter(shown, min) };
      }),
    };
  },

  make: (i: { method: string; choices: Record<string, number | string>; massG: number }) => {
    const sheet = refusing('method', () => {
      const method = methodById(i.method);
      return makeSheet(method, { vesselL: potFor(i.massG), ...i.choices, massG: i.massG });
    });
    if (sheet.problems.length > 0) {
      throw new InputRefused(
        sheet.problems.map((p) => ({ field: `choices.${p.field}`, message: p.message, remedy: p.remedy })),
      );
    }
    return {
      stages: sheet.stages.map((s) => ({
        kind: s.kind,
        startMin: s.beginMin,
        endMin: s.endMin,
        handsMin: s.handsMin,
      })),
      product: sheet.product,
      byproducts: { wheyG: sheet.balance.wheyG, starterHeldBackG: sheet.balance.heldBackG },
      balanceErrorPct: sheet.balance.errorPct,
      cautions: sheet.cautions,
      nutritionPer100g: sheet.nutrition,
    };
  },
};

/** A pot that holds a mass with its headspace, L: at the door no pot is asked for. */
function potFor(massG: number): number {
  return Math.max(1, Math.ceil((massG / 1000) * 1.2));
}

/** Turns the engine's own refusal of a name or a value into one that names the field. */
function refusing<T>(field: string, compute: () => T): T {
  try {
    return compute();
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    const named = /^"(\w+)"/.exec(error.message)?.[1];
    const where = named ? `choices.${named}` : field;
    throw new InputRefused([{ field: where, message: `${error.message}.`, remedy: 'Choose what is offered.' }]);
  }
}

type DoorReading = { min: number; ph: number; by: 'meter' | 'strip' } | { min: number; cue: string };

/** Which question each answer belongs to: at the door a cue is given by its answer alone. */
const QUESTION_OF: Readonly<Record<string, string>> = {
  liquid: 'set',
  wobbles: 'set',
  'leaves the wall': 'set',
  stands: 'set',
  sweet: 'taste',
  mild: 'taste',
  tangy: 'taste',
  sharp: 'taste',
  none: 'whey',
  'a film': 'whey',
  'a pool': 'whey',
};

function namedCue(reading: DoorReading): SouringReading {
  if ('ph' in reading) return reading;
  return { min: reading.min, cue: QUESTION_OF[reading.cue]!, answer: reading.cue };
}

function problemOf(i: SouringInput): SouringProblem {
  const culture = CULTURES[i.culture];
  const masses = massesOfMaterial(materialFromLabel(i.milk.fatPct, i.milk.proteinPct), 1000);
  const denatured = (i.denaturedPct ?? BOUGHT_DENATURED_PCT[i.milk.treatment]) / 100;
  const active = i.starter.form === 'active';
  const startC = i.tempC ?? i.trace![0]!.tempC;
  const lastC = i.trace?.at(-1)?.tempC ?? startC;
  return {
    law: souringLaw(culture, bufferMilkOf(masses)),
    biomass: (i.dosePct / 100) * culture.biomassPerDose * vitality(i.starter),
    lagQ: active ? culture.lagQActive : culture.lagQFreezeDried,
    lacticMolPerKg: active ? (i.dosePct / (100 + i.dosePct)) * STARTER_LACTIC_MOL_PER_KG : 0,
    tempC: startC,
    place: { aroundC: lastC, tauMin: 120, measuredC: i.trace ? alongTracePoints(i.trace) : undefined },
    targetPh: i.targetPh,
    gelPh: gelPointPh(denatured),
    horizonMin: i.hours * 60,
    offset: i.trace ? { meanC: 0, sdC: 0.2 } : undefined,
  };
}

/** Temperature along given points; held at the last one's. */
function alongTracePoints(trace: TracePoint[]): (min: number) => number {
  return (min) => {
    const after = trace.findIndex((p) => p.min > min);
    if (after < 0) return trace[trace.length - 1]!.tempC;
    if (after === 0) return trace[0]!.tempC;
    const a = trace[after - 1]!;
    const b = trace[after]!;
    return a.tempC + ((b.tempC - a.tempC) * (min - a.min)) / (b.min - a.min);
  };
}

function souringCourse(i: SouringInput): object {
  const problem = problemOf(i);
  const crock = souringCrock(problem.law, problem);
  const temperature = problem.place.measuredC ?? (() => problem.tempC);
  const series = [point(0)];
  let toGel: number | null = null;
  let toTarget: number | null = null;
  for (let min = 0; min < problem.horizonMin; min += SOURING_STEP_MIN) {
    const step = Math.min(SOURING_STEP_MIN, problem.horizonMin - min);
    keepAt(problem.law, crock, temperature(min + step / 2) ?? problem.tempC);
    sourStep(problem.law, crock, step);
    series.push(point(min + step));
    toGel ??= crossing(series, problem.gelPh);
    toTarget ??= crossing(series, problem.targetPh);
  }
  return { hoursToTarget: toTarget, hoursToGel: toGel, series };

  function point(min: number) {
    return {
      min,
      tempC: temperature(min) ?? problem.tempC,
      ph: crock.ph,
      lacticPct: (crock.lacticMolPerKg * MOLAR_G.lactic) / 10,
    };
  }
}

/** Hours at which the last two points of a falling pH cross a value; null where they do not. */
function crossing(series: readonly { min: number; ph: number }[], ph: number): number | null {
  const b = series[series.length - 1]!;
  const a = series[series.length - 2]!;
  if (b.ph > ph) return null;
  if (a.ph <= ph) return a.min / 60;
  return (a.min + ((b.min - a.min) * (a.ph - ph)) / (a.ph - b.ph)) / 60;
}
