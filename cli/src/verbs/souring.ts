import {
  BOUGHT_DENATURED,
  DEAD_CHANCE,
  PACE_SD,
  packetDosePct,
  lagQOf,
  SCORES,
  STANDARD_PRIOR,
  TAKEN_FOR_DEAD,
  bufferMilkOf,
  CULTURES,
  forecastSouring,
  gelPointPh,
  keepAt,
  memberOfScores,
  recall,
  souringFactors,
  souringOwnedBy,
  type Pooled,
  type ScorePrior,
  massesOfMaterial,
  materialFromLabel,
  MOLAR_G,
  souringCrock,
  souringLaw,
  sourStep,
  SOURING_STEP_MIN,
  STARTER_LACTIC_MOL_PER_KG,
  starterPrior,
  starterActivity,
  WILD_BIOMASS,
  type CultureId,
  type SouringProblem,
  type SouringReading,
  type Starter,
  type StarterForm,
  type StarterPrior,
  type TracePoint,
  type Treatment,
} from '@oat-crock/core';
import { InputRefused } from '@oat-crock/contract';

interface SouringInput {
  culture: CultureId;
  /** Percent of the milk; nothing where the starter is a packet. */
  dosePct?: number;
  starter: Omit<Starter, 'form'> & {
    form: StarterForm | 'packet';
    setsLitres?: number;
    packets?: number;
    litres?: number;
  };
  milk: { fatPct: number; proteinPct: number; treatment: Treatment };
  denaturedPct?: number;
  tempC?: number;
  trace?: TracePoint[];
  targetPh: number;
  hours: number;
  learned?: Pooled;
}

export const forecast = (i: SouringInput & { readings: CliReading[]; members: number; seed: number }) => {
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
    deadPct: 100 * forecast.deadChance,
    doubtful: forecast.doubtful,
    series: forecast.fan,
  };
};

type CliReading = { min: number; ph: number; by: 'meter' | 'strip' } | { min: number; cue: string };

/** Which question each answer belongs to: at the command line a cue is given by its answer alone. */
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

function namedCue(reading: CliReading): SouringReading {
  if ('ph' in reading) return reading;
  return { min: reading.min, cue: QUESTION_OF[reading.cue]!, answer: reading.cue };
}

/** What is in the milk to sour it: the starter, or what lives in raw milk where none was given. */
function sownIn(
  i: SouringInput,
): Pick<SouringProblem, 'biomass' | 'lagQ' | 'lacticMolPerKg'> & { readonly starter: StarterPrior } {
  const culture = CULTURES[i.culture];
  const { form, setsLitres = 1, packets = 1, litres = setsLitres } = i.starter;
  const dosePct = i.dosePct ?? packetDosePct(packets, setsLitres, litres);
  if (dosePct === 0) {
    if (i.milk.treatment !== 'raw') throw new InputRefused([NOTHING_TO_SOUR_IT]);
    const starter = { deadChance: DEAD_CHANCE.tired, paceSd: PACE_SD.wild };
    return { biomass: WILD_BIOMASS, lagQ: culture.lagQFreezeDried, lacticMolPerKg: 0, starter };
  }
  const kept = { ...i.starter, form: form === 'packet' ? ('freeze-dried' as const) : form };
  const activity = starterActivity(kept, i.culture);
  return {
    starter: starterPrior(kept, activity),
    biomass: (dosePct / 100) * culture.biomassPerDose * activity,
    lagQ: lagQOf(i.culture, kept.form),
    lacticMolPerKg: form === 'active' ? (dosePct / (100 + dosePct)) * STARTER_LACTIC_MOL_PER_KG : 0,
  };
}

const NOTHING_TO_SOUR_IT = {
  field: 'milk.treatment',
  message: 'Heated milk has nothing left in it to sour it by itself.',
  remedy: 'Give "raw", or a dose.',
};

/** The command line names no place: where a culture of yogurt is usually kept. */
const PLACE = 'thermostat';

/** Where the warmth is given as a trace, the place strays no more than a thermometer does. */
const KNOWN_WARMTH = {
  ...STANDARD_PRIOR,
  sd: SCORES.map((score) => (score === 'incubatorOffsetC' ? 0.25 : 1)),
};

function problemOf(i: SouringInput): SouringProblem & { readonly starter: StarterPrior; readonly prior: ScorePrior } {
  const culture = CULTURES[i.culture];
  const masses = massesOfMaterial(materialFromLabel(i.milk.fatPct, i.milk.proteinPct), 1000);
  const denatured = i.denaturedPct === undefined ? BOUGHT_DENATURED[i.milk.treatment] : i.denaturedPct / 100;
  const startC = i.tempC ?? i.trace![0]!.tempC;
  const lastC = i.trace?.at(-1)?.tempC ?? startC;
  const along = i.trace && alongTracePoints(i.trace);
  const usual = along ? KNOWN_WARMTH : STANDARD_PRIOR;
  return {
    law: souringLaw(culture, bufferMilkOf(masses)),
    ...sownIn(i),
    tempC: startC,
    place: {
      aroundC: lastC,
      tauMin: 120,
      measured: along && ((_from: number, minute: number) => ({ minute, tempC: along(minute) })),
    },
    targetPh: i.targetPh,
    gelPh: gelPointPh(denatured),
    horizonMin: i.hours * 60,
    prior: i.learned ? recall(i.learned, souringOwnedBy(i.culture, PLACE), usual) : usual,
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

/** Souring at a temperature or along a trace, in even steps. */
export function souring(i: SouringInput): object {
  const problem = problemOf(i);
  const crock = souringCrock(problem.law, expectedStart(problem));
  const temperature = i.trace ? alongTracePoints(i.trace) : () => problem.tempC;
  const series = [point(0)];
  let toGel: number | null = null;
  let toTarget: number | null = null;
  for (let min = 0; min < problem.horizonMin; min += SOURING_STEP_MIN) {
    const step = Math.min(SOURING_STEP_MIN, problem.horizonMin - min);
    keepAt(problem.law, crock, temperature(min + step / 2));
    sourStep(problem.law, crock, step);
    series.push(point(min + step));
    toGel ??= crossing(series, problem.gelPh);
    toTarget ??= crossing(series, problem.targetPh);
  }
  return { hoursToTarget: toTarget, hoursToGel: toGel, series };

  function point(min: number) {
    return {
      min,
      tempC: temperature(min),
      ph: crock.ph,
      lacticPct: (crock.lacticMolPerKg * MOLAR_G.lactic) / 10,
    };
  }
}

/** The crock as it is most likely begun: dead where the starter is given up, else by what was learned of its culture. */
function expectedStart(problem: ReturnType<typeof problemOf>) {
  const { law, biomass, lagQ, lacticMolPerKg, starter, prior } = problem;
  const member = memberOfScores(law.culture, prior.mean);
  const living = starter.deadChance < TAKEN_FOR_DEAD;
  return {
    biomass: living ? biomass * member.activity : 0,
    lagQ: lagQ * member.lag,
    lacticMolPerKg,
    ...souringFactors(member),
  };
}

/** Hours at which the last two points of a falling pH cross a value; null where they do not. */
function crossing(series: readonly { min: number; ph: number }[], ph: number): number | null {
  const b = series[series.length - 1]!;
  const a = series[series.length - 2]!;
  if (b.ph > ph) return null;
  if (a.ph <= ph) return a.min / 60;
  return (a.min + ((b.min - a.min) * (a.ph - ph)) / (a.ph - b.ph)) / 60;
}
