import {
  BOUGHT_DENATURED,
  bufferMilkOf,
  type CultureId,
  CULTURES,
  DEAD_CHANCE,
  gelPointPh,
  lagQOf,
  massesOfMaterial,
  materialFromLabel,
  PACE_SD,
  packetDosePct,
  type Pooled,
  recall,
  type ScorePrior,
  SCORES,
  souringLaw,
  souringOwnedBy,
  type SouringProblem,
  STANDARD_PRIOR,
  type Starter,
  STARTER_LACTIC_MOL_PER_KG,
  starterActivity,
  type StarterForm,
  starterPrior,
  type StarterPrior,
  type TracePoint,
  type Treatment,
  WILD_BIOMASS,
} from '@oat-crock/core';
import { InputRefused } from '@oat-crock/contract';

/** What is asked of the souring verbs. */
export interface SouringInput {
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

/** The souring that is asked for, as the engine takes it. */
export function problemOf(
  i: SouringInput,
): SouringProblem & { readonly starter: StarterPrior; readonly prior: ScorePrior } {
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
export function alongTracePoints(trace: TracePoint[]): (min: number) => number {
  return (min) => {
    const after = trace.findIndex((p) => p.min > min);
    if (after < 0) return trace[trace.length - 1]!.tempC;
    if (after === 0) return trace[0]!.tempC;
    const a = trace[after - 1]!;
    const b = trace[after]!;
    return a.tempC + ((b.tempC - a.tempC) * (min - a.min)) / (b.min - a.min);
  };
}
