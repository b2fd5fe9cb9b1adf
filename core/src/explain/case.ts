import { CULTURES, LETHAL_RISE_C, LINES, type Culture } from '../constants/cultures.js';
import type { Member } from '../environment/environment.js';
import type { WorkedOut } from '../follow/follow.js';
import type { TimelineStage } from '../follow/timeline.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import { pouredBy } from '../make/plan.js';
import { doseOfLivePct, type InoculateParams } from '../stages/inoculate.js';
import { volumeMl } from '../stages/pass-time.js';
import { fractionOf, proteinFraction, solidsFraction } from '../materials/composition.js';
import type { CrockState } from '../state/crock-state.js';

/** What a batch shows of itself, for the causes of a fault to be weighed by. Null where it cannot be known. */
export interface Case {
  readonly culture: Culture | null;
  /** Vigour of the starter as its readings show it, 1 = as reckoned. */
  readonly activity: number | null;
  readonly dosePct: number | null;
  /** Temperature at which the starter went in, and the mean while it set, °C. */
  readonly starterC: number | null;
  readonly meanSetC: number | null;
  readonly lethalC: number | null;
  /** Denatured β-lactoglobulin, fraction. */
  readonly denatured: number;
  readonly ultraHeated: boolean;
  readonly proteinPct: number;
  readonly fatPct: number;
  /** pH in the end (measured where it was), that wanted, and how far it fell after the souring was over. */
  readonly endPh: number;
  readonly targetPh: number | null;
  readonly fellInCold: number | null;
  /** Time it was left to sour, against the time it was forecast to take. */
  readonly timeRatio: number | null;
  readonly sugarGone: boolean;
  /** Rennet, IMCU per kg of milk; 0 where there was none. */
  readonly rennetImcuPerKg: number;
  /** Makes the starter had been carried through, and how many are advised for its kind. */
  readonly generation: number | null;
  readonly generations: number | null;
  /** Hottest it was, °C. */
  readonly peakC: number;
  /** Temperature when acid went in, °C. */
  readonly acidC: number | null;
  readonly solids: number;
  readonly wantedSolids: number | null;
  /** Temperature at which it went on its cloth, °C, and the weave of that. */
  readonly loadedC: number | null;
  readonly weave: string | null;
  /** Temperature of churning, °C, fat of the cream, and whether the butter was washed. */
  readonly churnC: number | null;
  readonly creamFatPct: number | null;
  /** How full the churn was, 0–1. */
  readonly churnFill: number | null;
  readonly washed: boolean | null;
  readonly lidOn: boolean;
  /** Hours between 5 and 57 °C above pH 4.6. */
  readonly warmH: number;
  /** Age of the starter, days. */
  readonly starterDays: number | null;
  /** Times somebody looked at it while it was heated, and while it set; null where it never was. */
  readonly looksHeating: number | null;
  readonly looksSetting: number | null;
  /** The last answer to each thing that was looked at. */
  readonly seen: Readonly<Record<string, string>>;
}

/** Vigour as readings show it: what there was of the starter and how fast it worked; none of a dead one. */
const activityOf = ({ life, activity, pace }: Member) => (life === 'dead' ? 0 : activity * pace);

/** Less acid to be had than this (mol/kg) and the sugar is gone. */
const SUGAR_GONE = 0.003;

/** Dose of starter of a stage that sows one, percent of a live one; null of grains, capsules and what lives in the milk. */
function doseIn({ stage, run }: TimelineStage): number | null {
  if (stage.kind.kind !== 'inoculate') return null;
  return doseOfLivePct(stage.params as unknown as InoculateParams, run.states[0]!.masses);
}

/** The case of a batch that was worked out. */
export function caseOf({ batch, choices, timeline, environment, souring, drains }: WorkedOut): Case {
  const past = timeline.stages.filter((s) => s.status !== 'ahead');
  const states = past.flatMap((s) => s.run.states);
  const end = states[states.length - 1]!;
  const sown = states.find((s) => s.souring !== null);
  const culture = sown?.souring ? CULTURES[sown.souring.culture] : null;
  const sowing = past.find((s) => s.stage.params['culture'] !== undefined);
  const soured = past.find((s) => s.stage.kind.endsBy === 'acidity');
  const setting = soured?.run.states ?? [];
  const lastSoured = setting[setting.length - 1];
  const churned = states.findIndex((s) => s.curd.churned > 0);
  const cream = churned >= 0 ? states[churned]! : null;
  const drain = drains.at(-1) ?? null;
  const loaded = drains[0]?.at.run.states[0];
  const phs = batch.readings.filter((r) => r.quantity === 'ph');
  const acidified = states.findIndex((s, i) => i > 0 && s.souring === null && s.ph < states[i - 1]!.ph - 0.1);
  return {
    culture,
    activity: souring && souring.readingIds.length > 0 ? activityOf(environment.member) : null,
    dosePct: sowing ? doseIn(sowing) : null,
    starterC: sown?.tempC ?? null,
    meanSetC: setting.length > 0 ? setting.reduce((sum, s) => sum + s.tempC, 0) / setting.length : null,
    lethalC: culture && culture.growth.maxC + LETHAL_RISE_C,
    denatured: denaturedBetaLg(end.native),
    ultraHeated: pouredBy(past.map((s) => s.stage)).some((s) => s.treatment === 'ultra-heated'),
    proteinPct: 100 * proteinFraction((sown ?? end).masses),
    fatPct: 100 * fractionOf(end.masses, 'fat'),
    endPh: phs.at(-1)?.value ?? end.ph,
    targetPh: soured ? soured.stage.kind.target(soured.stage.params) : null,
    fellInCold: lastSoured ? lastSoured.ph - end.ph : null,
    timeRatio: timeRatio(soured, souring?.forecast.p50Min ?? null),
    rennetImcuPerKg: end.curd.rennetImcuPerKg,
    generation: numberOf(sowing?.stage.params['generation']),
    generations: culture && LINES[culture.id].generations,
    peakC: end.peakC,
    sugarGone: sugarGone(end),
    acidC: acidified > 0 ? states[acidified]!.tempC : null,
    solids: solidsFraction(end.masses),
    wantedSolids: (drain && drain.at.stage.kind.target(drain.at.stage.params)) || null,
    loadedC: loaded?.tempC ?? null,
    weave: (drain?.at.stage.params['weave'] as string | undefined) ?? null,
    churnC: cream?.tempC ?? null,
    creamFatPct: cream && 100 * fractionOf(cream.masses, 'fat'),
    churnFill: cream && volumeMl(cream) / 1000 / Number(choices['churnL']),
    washed: cream && choices['washing'] === 'clear',
    lidOn: choices['lid'] === 'on',
    warmH: end.warmMin / 60,
    starterDays: numberOf(sowing?.stage.params['ageDays']),
    looksHeating: looksDuring(
      batch,
      past.filter((s) => HEATS.has(s.stage.kind.kind)),
    ),
    looksSetting: looksDuring(batch, soured ? [soured] : []),
    seen: Object.fromEntries(batch.cues.map((c) => [c.cue, c.answer])),
  };
}

/** Kinds in which milk can catch on the bottom. */
const HEATS: ReadonlySet<string> = new Set(['heat', 'hold', 'scald-cream']);

/** What was looked at by somebody during some stages: where nobody ever looked, it cannot be known whether they stood by. */
function looksDuring({ cues }: WorkedOut['batch'], stages: readonly TimelineStage[]): number | null {
  if (stages.length === 0 || cues.length === 0) return null;
  const during = (atMs: number) => stages.some((s) => atMs >= s.beginMs && atMs < (s.endMs ?? Infinity));
  return cues.filter((c) => during(c.atMs)).length;
}

function timeRatio(soured: TimelineStage | undefined, forecastMin: number | null): number | null {
  if (!soured?.endMs || !forecastMin) return null;
  return (soured.endMs - soured.beginMs) / 60_000 / forecastMin;
}

function sugarGone({ souring }: CrockState): boolean {
  const most = souring?.milk.lacticEndMolPerKg;
  return souring !== null && most !== undefined && most - souring.lacticMolPerKg < SUGAR_GONE;
}

const numberOf = (value: unknown): number | null => (typeof value === 'number' ? value : null);
