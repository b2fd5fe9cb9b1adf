import { driftChance, driftPerYear, holm, LEAST_MAKES, shiftChance, shiftOf, type Shift } from './changes.js';
import type { MakeFigures } from './make-figures.js';
import { middle } from './scorecard.js';

/** A make, as far as its figures are held against those of others of its method. */
export interface TrendMake {
  readonly startedMs: number;
  /** It was made in the warm months of the year. */
  readonly isWarm: boolean;
  /** The line of the culture that soured it; null where none is kept. */
  readonly line: string | null;
  readonly figures: Omit<MakeFigures, 'given'>;
}

/** The figures that are followed over time, and how each is read off a make; null where it has none. */
export const TREND_FIGURES = {
  yieldPct: ({ yieldPct }) => yieldPct,
  lostPct: ({ lostPct }) => lostPct,
  perKg: ({ perKg }) => perKg,
  outlay: ({ outlay }) => outlay,
  endPh: ({ endPh }) => endPh,
  souredH: ({ souredH }) => souredH,
  lateH: ({ souredH, forecastSouredH }) =>
    souredH === null || forecastSouredH === null ? null : souredH - forecastSouredH,
  taste: ({ score }) => score?.taste ?? null,
  sourness: ({ score }) => score?.sourness ?? null,
  thickness: ({ score }) => score?.thickness ?? null,
} as const satisfies Readonly<Record<string, (figures: TrendMake['figures']) => number | null>>;

export type TrendFigure = keyof typeof TREND_FIGURES;

/** Something that was otherwise from a make on. */
export interface TrendChange {
  readonly of: 'culture' | 'milk' | 'keeper';
  readonly atMs: number;
  readonly from: string;
  readonly to: string;
}

/** A change in a figure that is more than chance makes. */
export type TrendFinding = { readonly figure: TrendFigure; readonly p: number } & (
  | { readonly is: 'change'; readonly change: TrendChange; readonly shift: Shift }
  /** From the cold months to the warm ones. */
  | { readonly is: 'season'; readonly shift: Shift }
  /** Steadily, so much in a year. */
  | { readonly is: 'drift'; readonly perYear: number; readonly makes: number }
);

/** One figure of all makes over time. */
export interface Trend {
  readonly figure: TrendFigure;
  readonly points: readonly { readonly atMs: number; readonly value: number }[];
  readonly middle: number;
}

export interface Trends {
  readonly trends: readonly Trend[];
  /** Everything that was otherwise from some make on, whether it changed a figure or not. */
  readonly changes: readonly TrendChange[];
  readonly findings: readonly TrendFinding[];
  /** How many questions were asked of the figures: each finding is held against all of them. */
  readonly asked: number;
}

/** One time in twenty anything at all is said where nothing changed. */
const SAID_BELOW = 0.05;
/** Of very many makes the newest are looked at. */
export const MOST_LOOKED_AT = 400;
/** A steady rise or fall is looked for in no fewer makes. */
const LEAST_FOR_DRIFT = 10;
/**
 * What the makes of a method came to over time, and what of it is more than chance.
 *
 * @param makes in order of time
 */
export function trendsOf(makes: readonly TrendMake[]): Trends {
  const looked = makes.slice(-MOST_LOOKED_AT);
  const stretches = KINDS.map((kind) => stretchesOf(looked, kind));
  const changes = stretches.flatMap(changesIn).sort((a, b) => a.atMs - b.atMs);
  const figures = Object.keys(TREND_FIGURES) as TrendFigure[];
  const questions = figures.flatMap((figure, i) => questionsOf(figure, { looked, stretches, seed: 7919 * (i + 1) }));
  const adjusted = holm(questions.map(({ p }) => p));
  return {
    trends: figures.flatMap((figure) => {
      const points = pointsOf(looked, figure);
      return points.length > 0 ? [{ figure, points, middle: middle(points.map(({ value }) => value)) }] : [];
    }),
    changes,
    findings: questions
      .flatMap(({ finding }, i) => (adjusted[i]! < SAID_BELOW ? [finding(adjusted[i]!)] : []))
      .sort((a, b) => a.p - b.p),
    asked: questions.length,
  };
}

interface Looked {
  readonly looked: readonly TrendMake[];
  readonly stretches: readonly (readonly Stretch[])[];
  readonly seed: number;
}

/** A question that was asked of a figure: how likely chance alone does as much, and what is said where it is not chance. */
interface Question {
  readonly p: number;
  readonly finding: (p: number) => TrendFinding;
}

function questionsOf(figure: TrendFigure, { looked, stretches, seed }: Looked): Question[] {
  const asked: Question[] = [];
  const ask = (
    [before, after]: readonly [readonly number[], readonly number[]],
    of: number,
    is: { readonly is: 'change'; readonly change: TrendChange } | { readonly is: 'season' },
  ) => {
    if (Math.min(before.length, after.length) < LEAST_MAKES) return;
    const finding = (p: number) => ({ figure, p, ...is, shift: { ...shiftOf(before, after), p } });
    asked.push({ p: shiftChance(before, after, of), finding });
  };
  const values = (makes: readonly TrendMake[]) => pointsOf(makes, figure).map(({ value }) => value);
  stretches.forEach((stretch, kind) => {
    changesIn(stretch).forEach((change, i) => {
      const groups = [values(stretch[i]!.makes), values(stretch[i + 1]!.makes)] as const;
      ask(groups, seed + 31 * i + kind, { is: 'change', change });
    });
  });
  // What a culture does is no season, and what a change of culture, milk or place does is no slow drift.
  const bySeason = apart(looked, figure, ({ line }) => line ?? '');
  const inSeason = (warm: boolean) => bySeason.filter(({ make }) => make.isWarm === warm).map(({ value }) => value);
  ask([inSeason(false), inSeason(true)], seed + 5, { is: 'season' });
  const steady = apart(looked, figure, ({ line, figures: { milk, keeper } }) => JSON.stringify([line, milk, keeper]));
  if (steady.length >= LEAST_FOR_DRIFT) {
    const values = steady.map(({ value }) => value);
    const perYear = () => driftPerYear(steady.map(({ make, value }) => ({ atMs: make.startedMs, value })));
    asked.push({
      p: driftChance(values, seed + 7),
      finding: (p) => ({ figure, p, is: 'drift', perYear: perYear(), makes: steady.length }),
    });
  }
  return asked;
}

/** A figure of each make, less how far the makes that share something with it are from the middle of all. */
function apart(
  makes: readonly TrendMake[],
  figure: TrendFigure,
  groupOf: (make: TrendMake) => string,
): { readonly make: TrendMake; readonly value: number }[] {
  const known = makes.flatMap((make) => {
    const [point] = pointsOf([make], figure);
    return point ? [{ make, value: point.value, group: groupOf(make) }] : [];
  });
  const whole = middle(known.map(({ value }) => value));
  const groups = new Map<string, number[]>();
  for (const { group, value } of known) {
    if (!groups.has(group)) groups.set(group, []);
    groups.get(group)!.push(value);
  }
  const middles = new Map([...groups].map(([group, values]) => [group, middle(values)]));
  return known.map(({ make, value, group }) => ({ make, value: value - middles.get(group)! + whole }));
}

function pointsOf(makes: readonly TrendMake[], figure: TrendFigure): { atMs: number; value: number }[] {
  return makes.flatMap(({ startedMs, figures }) => {
    const value = TREND_FIGURES[figure](figures);
    return value === null || !Number.isFinite(value) ? [] : [{ atMs: startedMs, value }];
  });
}

/** Makes one after another that had the same culture, milk or place. */
interface Stretch {
  readonly of: TrendChange['of'];
  readonly what: string;
  readonly makes: readonly TrendMake[];
}

const KINDS: readonly { readonly of: TrendChange['of']; readonly what: (make: TrendMake) => string | null }[] = [
  { of: 'culture', what: ({ line }) => line },
  { of: 'milk', what: ({ figures }) => figures.milk },
  { of: 'keeper', what: ({ figures }) => figures.keeper },
];

/** What so few makes had between others is passed over: a single pot of another milk is no change of milk. */
function stretchesOf(makes: readonly TrendMake[], { of, what }: (typeof KINDS)[number]): readonly Stretch[] {
  const runs: { what: string; makes: TrendMake[] }[] = [];
  for (const make of makes) {
    const is = what(make);
    if (is === null) continue;
    const last = runs.at(-1);
    if (last?.what === is) last.makes.push(make);
    else runs.push({ what: is, makes: [make] });
  }
  const joined: { what: string; makes: TrendMake[] }[] = [];
  for (const run of runs.filter((r) => r.makes.length >= LEAST_MAKES)) {
    const last = joined.at(-1);
    if (last?.what === run.what) last.makes.push(...run.makes);
    else joined.push(run);
  }
  return joined.map((run) => ({ of, ...run }));
}

function changesIn(stretches: readonly Stretch[]): TrendChange[] {
  return stretches.slice(1).map(({ of, what, makes }, i) => ({
    of,
    atMs: makes[0]!.startedMs,
    from: stretches[i]!.what,
    to: what,
  }));
}
