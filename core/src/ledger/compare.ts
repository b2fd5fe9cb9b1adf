import type { Batch } from '../batch/replay.js';
import { caseOf, type Case } from '../explain/case.js';
import type { Cause } from '../explain/cause.js';
import { CAUSES, type CauseId } from '../explain/causes.js';
import { FAULTS } from '../explain/faults.js';
import { workOut } from '../follow/follow.js';
import { seriesOf } from '../follow/series.js';
import type { ForecastOptions } from '../forecast/souring-forecast.js';
import type { Household } from '../make/household.js';
import { say, type Text } from '../messages/message.js';
import { percent, temp } from '../messages/quantity.js';
import { makeFiguresOf, type MakeFigures } from './make-figures.js';

const HOUR_MS = 3_600_000;

/** What can be drawn of a make over time. */
export const CURVES = ['massG', 'ph', 'tempC', 'wheyG'] as const;
export type Curve = (typeof CURVES)[number];

/** One of the makes that are compared: its course from its own start, and what it came to. */
export interface ComparedRun {
  readonly batchId: string;
  readonly series: readonly ({ readonly h: number } & Readonly<Record<Curve, number>>)[];
  /** What was read of it. */
  readonly read: readonly { readonly h: number; readonly curve: Curve; readonly value: number }[];
  /** Null of a make that is on or was discarded. */
  readonly figures: MakeFigures | null;
  readonly facts: Facts;
}

/** What of a make may explain another outcome; null where it is not known. */
export type Facts = Pick<
  Case,
  | 'activity'
  | 'dosePct'
  | 'starterC'
  | 'meanSetC'
  | 'starterDays'
  | 'generation'
  | 'denatured'
  | 'proteinPct'
  | 'fatPct'
  | 'peakC'
  | 'endPh'
>;

/** An outcome in which two of the makes differ, and the causes that what was logged speaks for in the one more than in the other. */
export interface Otherwise {
  readonly outcome: OutcomeId;
  /** Places among the makes: that with more of it, and that with less. */
  readonly more: number;
  readonly less: number;
  /** The likeliest cause; null where nothing that was logged tells them apart. */
  readonly cause: { readonly says: Text; readonly evidence: readonly Text[] } | null;
}

export interface Comparison {
  readonly runs: readonly ComparedRun[];
  readonly otherwise: readonly Otherwise[];
}

/** Outcomes that makes are held against one another by: from which difference on, and what may cause more of it. */
const OUTCOMES = {
  slower: {
    of: ({ figures }: ComparedRun) => figures?.souredH ?? null,
    from: (less: number) => Math.max(0.5, 0.15 * less),
    causes: ['weakStarter', 'tooCold', 'lowDose', 'killedStarter', 'residue', 'deadStarter'],
  },
  sourer: {
    of: ({ figures }: ComparedRun) => (figures?.endPh === undefined || figures.endPh === null ? null : -figures.endPh),
    from: () => 0.12,
    causes: FAULTS['too-sour'].causes,
  },
  sourerToTaste: {
    of: ({ figures }: ComparedRun) => figures?.score?.sourness ?? null,
    from: () => 2,
    causes: FAULTS['too-sour'].causes,
  },
  thinner: {
    of: ({ figures }: ComparedRun) => (figures?.score ? -figures.score.thickness : null),
    from: () => 2,
    causes: FAULTS.thin.causes,
  },
  grainier: {
    of: ({ figures }: ComparedRun) => (figures?.score ? -figures.score.smoothness : null),
    from: () => 2,
    causes: FAULTS.grainy.causes,
  },
} as const satisfies Readonly<
  Record<
    string,
    {
      readonly of: (run: ComparedRun) => number | null;
      readonly from: (less: number) => number;
      readonly causes: readonly CauseId[];
    }
  >
>;

export type OutcomeId = keyof typeof OUTCOMES;

/** A figure in which two makes differ is evidence itself: for which cause, how much it speaks for it (log-odds), and in which words. */
interface Driver {
  readonly cause: CauseId;
  readonly weigh: (more: Facts, less: Facts) => number | null;
  readonly says: (more: Facts, less: Facts) => Text;
}

const ratio = (a: number | null, b: number | null) =>
  a === null || b === null || a <= 0 || b <= 0 ? null : Math.log(a / b);
const apart = (a: number | null, b: number | null) => (a === null || b === null ? null : a - b);
const times = (by: number | null, weight: number) => by && by * weight;

/** A degree changes the pace of souring by about a tenth, a third more of a starter by about as much: what differs most tells most. */
const DRIVERS: readonly Driver[] = [
  {
    cause: 'weakStarter',
    weigh: (more, less) => times(ratio(less.activity, more.activity), 4),
    says: (more, less) =>
      say('ledger.compare.activity', {
        more: percent(100 * more.activity!, 0),
        less: percent(100 * less.activity!, 0),
      }),
  },
  {
    cause: 'tooCold',
    weigh: (more, less) => times(apart(less.meanSetC, more.meanSetC), 0.5),
    says: (more, less) =>
      say('ledger.compare.warmth', { more: temp(more.meanSetC!, 1), less: temp(less.meanSetC!, 1) }),
  },
  {
    cause: 'lowDose',
    weigh: (more, less) => times(ratio(less.dosePct, more.dosePct), 1.5),
    says: (more, less) =>
      say('ledger.compare.dose', { more: percent(more.dosePct!, 1), less: percent(less.dosePct!, 1) }),
  },
];

/** A cause is named where the evidence speaks so much more for it in one make than in the other, in log-odds. */
const SPEAKS = 0.7;

/** A make with the household it stood in. */
export interface ToCompare {
  readonly batch: Batch;
  readonly household: Household;
}

/** Lays makes beside one another: what they came to, how they went, and what of their logs tells why they came out otherwise. */
export function compareMakes(makes: readonly ToCompare[], options: ForecastOptions, nowMs: number): Comparison {
  const worked = makes.map(({ batch, household }) => {
    const untilMs = batch.ended?.atMs ?? nowMs;
    const whole = workOut(batch, untilMs, options, household);
    return { whole, shown: caseOf(whole), figures: makeFiguresOf(batch, options, household), untilMs };
  });
  const runs = worked.map(({ whole, shown, figures, untilMs }): ComparedRun => {
    const { batch, timeline } = whole;
    const hours = (atMs: number) => (atMs - batch.startedMs) / HOUR_MS;
    return {
      batchId: batch.id,
      series: seriesOf(timeline)
        .filter(({ atMs }) => atMs <= untilMs)
        .map(({ atMs, massG, ph, tempC, wheyG }) => ({ h: hours(atMs), massG, ph, tempC, wheyG })),
      read: batch.readings.flatMap(({ atMs, quantity, value }) => {
        const curve = CURVES.find((c) => c === quantity);
        return curve ? [{ h: hours(atMs), curve, value }] : [];
      }),
      figures,
      facts: factsOf(shown),
    };
  });
  const cases = worked.map(({ shown }) => shown);
  return { runs, otherwise: otherwiseIn(runs, cases) };
}

function otherwiseIn(runs: readonly ComparedRun[], cases: readonly Case[]): Otherwise[] {
  return (Object.keys(OUTCOMES) as OutcomeId[]).flatMap((outcome): Otherwise[] => {
    const { of, from } = OUTCOMES[outcome];
    const known = runs.flatMap((run, place) => {
      const value = of(run);
      return value === null ? [] : [{ place, value }];
    });
    if (known.length < 2) return [];
    const byValue = known.sort((a, b) => a.value - b.value);
    const [least, most] = [byValue[0]!, byValue.at(-1)!];
    if (most.value - least.value < from(least.value)) return [];
    const cause = tellingCause(outcome, cases[most.place]!, cases[least.place]!);
    return [{ outcome, more: most.place, less: least.place, cause }];
  });
}

/** The cause that the evidence speaks for most in one make over the other, and not against in that itself. */
function tellingCause(outcome: OutcomeId, more: Case, less: Case): Otherwise['cause'] {
  const drivers = outcome === 'slower' ? DRIVERS : [];
  const weighed = OUTCOMES[outcome].causes
    .map((id) => {
      const cause: Cause = CAUSES[id];
      const weightIn = (shown: Case) => ((cause.fits?.(shown) ?? true) ? cause.weigh(shown) : []);
      const [inMore, inLess] = [weightIn(more), weightIn(less)];
      const sum = (all: typeof inMore) => all.reduce((total, { weight }) => total + weight, 0);
      const driver = drivers.find((d) => d.cause === id);
      const driven = Math.max(0, driver?.weigh(more, less) ?? 0);
      const own = sum(inMore) + driven;
      const evidence = [
        ...(driver && driven > 0 ? [driver.says(more, less)] : []),
        ...inMore.filter(({ weight }) => weight > 0).map(({ says }) => says),
      ];
      return { cause, own, by: own - sum(inLess), evidence };
    })
    .filter(({ own }) => own > 0)
    .sort((a, b) => b.by - a.by);
  const [first] = weighed;
  return first && first.by >= SPEAKS ? { says: first.cause.says, evidence: first.evidence } : null;
}

function factsOf(shown: Case): Facts {
  const { activity, dosePct, starterC, meanSetC, starterDays, generation } = shown;
  const { denatured, proteinPct, fatPct, peakC, endPh } = shown;
  return {
    ...{ activity, dosePct, starterC, meanSetC, starterDays, generation },
    ...{ denatured, proteinPct, fatPct, peakC, endPh },
  };
}
