import { decided, type Choices, type Method } from '../methods/method.js';
import { movedIn, type FinishedStock } from './finished-stock.js';

/** Something that is wanted at one time: of what, how much, when. */
export interface DueOrder {
  readonly id: string;
  readonly methodId: string;
  readonly choices: Choices;
  readonly productG: number;
  /** When it is handed over, ms; null where that is some time. */
  readonly dueMs: number | null;
}

/** A finished make with what it was made by. */
export interface StockOfMethod extends FinishedStock {
  readonly methodId: string;
  readonly choices: Choices;
}

/** A make that is on: what is expected of it, and for whom it was begun. */
export interface MakeComing {
  readonly batchId: string;
  readonly methodId: string;
  readonly choices: Choices;
  readonly productG: number;
  readonly readyMs: number;
  /** What it was planned for; nothing where it was begun for nobody. */
  readonly wantedIds: readonly string[];
}

/** What of a finished make is set apart for something wanted: in the unit of its stock, and in grams. */
export interface SetApart {
  readonly batchId: string;
  readonly count: number;
  readonly massG: number;
}

/** How far something wanted is met: what was handed over, what stands here for it, what is being made, and what is missing. */
export interface Filling {
  readonly wantedId: string;
  readonly deliveredG: number;
  readonly fromStock: readonly SetApart[];
  readonly coming: readonly { readonly batchId: string; readonly massG: number; readonly readyMs: number }[];
  /** What nothing is there for yet, g. */
  readonly missingG: number;
  /** Nothing has to be made for it: nothing is missing, or so little that nobody would begin a make for it. */
  readonly isMet: boolean;
}

/** What is wanted, what is here and what is on its way. */
export interface Fillable {
  /** All that is wanted and may still be handed over. */
  readonly wanted: readonly DueOrder[];
  readonly stocks: readonly StockOfMethod[];
  readonly coming: readonly MakeComing[];
  /** What was handed over by makes that are not among the stocks, g by what was wanted. */
  readonly delivered: ReadonlyMap<string, number>;
}

/** What nothing can be read off by itself. */
export interface FillBy {
  readonly methodOf: (id: string) => Method | undefined;
  /** The day of a moment, "2026-05-24". */
  readonly dayOf: (ms: number) => string;
  readonly nowMs: number;
}

/** For less than this share of what is wanted nobody begins a make. */
const TOO_LITTLE = 0.1;

/** Choices that an eater would notice, where they differ at all. */
const TASTED_OPTIONS = ['flavour', 'base', 'as', 'texture', 'then', 'strainIt', 'way', 'scald'] as const;
/** Amounts of which an eater notices whether there is any. */
const TASTED_AMOUNTS = ['saltPct', 'potSaltPct', 'sugarPct', 'fruitSugarPct'] as const;
/** Amounts that an order may name, and how far off them is the same to an eater, as a share. */
const NAMED_AMOUNTS = { fatPct: 0.2, butterFatPct: 0.02, flavourPct: 0.5, targetPh: 0.025, potG: 0.1 } as const;

/** Whether what was made one way will do for whoever wanted it another: they are the same to who eats them. */
export function willDo(method: Method, wanted: Choices, made: Choices): boolean {
  const [asked, is] = [decided(method, wanted), decided(method, made)];
  if (TASTED_OPTIONS.some((key) => asked[key] !== is[key])) return false;
  if (TASTED_AMOUNTS.some((key) => Number(asked[key] ?? 0) > 0 !== Number(is[key] ?? 0) > 0)) return false;
  return Object.entries(NAMED_AMOUNTS).every(([key, off]) => {
    const named = Number(wanted[key]);
    return !(named > 0) || Math.abs(Number(is[key]) - named) <= off * named;
  });
}

/** What was handed over of a stock for something wanted, in its unit. */
export function deliveredOf({ unit, movements }: Pick<FinishedStock, 'unit' | 'movements'>, wantedId: string): number {
  return movements.reduce(
    (sum, m) => sum + (m.is === 'issued' && m.occurrenceId === wantedId ? movedIn(unit, m) : 0),
    0,
  );
}

/**
 * What is here and on its way, shared out to what is wanted: the earliest wanted first, to each what is to be eaten first of what will
 * still be good on its day, in whole pots; then makes begun for it, then makes that have something over. A held lot goes nowhere, and
 * what is frozen is not ready to go.
 */
export function fillOrders({ wanted, stocks, coming, delivered }: Fillable, by: FillBy): readonly Filling[] {
  const free = new Map(stocks.map((s) => [s.batchId, s.hold ? 0 : Math.max(0, s.left - s.frozen)]));
  const rest = new Map(coming.map((c) => [c.batchId, c.productG]));
  const oldestFirst = [...stocks].sort(byDate);
  const inTurn = [...wanted].sort((a, b) => turnOf(a, by) - turnOf(b, by));
  const began = inTurn.map((one) => {
    const gone = stocks.map((s) => ({ eachG: s.eachG, count: deliveredOf(s, one.id) })).filter((s) => s.count > 0);
    const deliveredG = gone.reduce((sum, s) => sum + s.count * s.eachG, delivered.get(one.id) ?? 0);
    const need = { leftG: one.productG - deliveredG, eachG: Math.max(0, ...gone.map((s) => s.eachG)) };
    return { one, deliveredG, need, coming: [] as Filling['coming'][number][] };
  });
  const set = began.map((at) => ({ ...at, fromStock: takeFromStock(at.one, at.need, oldestFirst, free, by) }));
  for (const isOwn of [true, false])
    for (const { one, need, coming: comes } of set)
      for (const make of coming) {
        const left = rest.get(make.batchId)!;
        if (need.leftG <= halfAPot(need) || left <= 0) continue;
        if (isOwn ? !make.wantedIds.includes(one.id) : !isSame(one, make, by) || !isInTime(one, make.readyMs)) continue;
        const massG = Math.min(left, need.leftG);
        // What another make has over is worth naming where it is no mere rest.
        if (!isOwn && massG < TOO_LITTLE * one.productG) continue;
        rest.set(make.batchId, left - massG);
        need.leftG -= massG;
        comes.push({ batchId: make.batchId, massG, readyMs: make.readyMs });
      }
  return set.map(({ one, deliveredG, need, fromStock, coming: comes }) => ({
    wantedId: one.id,
    deliveredG,
    fromStock,
    coming: comes,
    missingG: Math.max(0, need.leftG),
    isMet: need.leftG <= Math.max(TOO_LITTLE * one.productG, halfAPot(need)),
  }));
}

/** What nothing that is wanted takes of a make: how much, and when it is ready, ms; null where it is. */
export interface Over {
  readonly batchId: string;
  readonly massG: number;
  readonly readyMs: number | null;
}

/** What is over once all that is wanted is filled, of what is here and of what is on its way. */
export function overOf(
  fillings: readonly Filling[],
  { stocks, coming }: Pick<Fillable, 'stocks' | 'coming'>,
): readonly Over[] {
  const apart = new Map<string, number>();
  for (const { batchId, massG } of fillings.flatMap((f) => [...f.fromStock, ...f.coming]))
    apart.set(batchId, (apart.get(batchId) ?? 0) + massG);
  const here = stocks
    .filter((s) => !s.hold)
    .map(({ batchId, left, frozen, eachG }) => ({ batchId, massG: (left - frozen) * eachG, readyMs: null }));
  return [...here, ...coming.map(({ batchId, productG, readyMs }) => ({ batchId, massG: productG, readyMs }))]
    .map((one) => ({ ...one, massG: one.massG - (apart.get(one.batchId) ?? 0) }))
    .filter(({ massG }) => massG > 0);
}

/** So long after its time something wanted still comes first; later it comes last: it may have gone out unlogged. */
const LATE_MS = 12 * 3_600_000;

/** Some time comes after every day there is, and what is long late after that. */
const [SOME_TIME, LONG_LATE] = [1, 2].map((after) => after * Number.MAX_SAFE_INTEGER) as [number, number];

const turnOf = ({ dueMs }: DueOrder, { nowMs }: FillBy) =>
  dueMs === null ? SOME_TIME : dueMs < nowMs - LATE_MS ? LONG_LATE : dueMs;

/** What is still needed, g, and how much a pot of what goes to it holds; 0 as long as no pot does. */
interface Need {
  leftG: number;
  eachG: number;
}

/** Rounding of pots counted in grams, g. */
const NOTHING = 1e-6;
/** What whole pots may leave open, g. */
const halfAPot = ({ eachG }: Need) => (eachG > 1 ? eachG / 2 : 0) + NOTHING;

const isSame = (
  one: DueOrder,
  { methodId, choices }: Pick<MakeComing, 'methodId' | 'choices'>,
  { methodOf }: FillBy,
) => {
  const method = methodOf(one.methodId);
  return methodId === one.methodId && method !== undefined && willDo(method, one.choices, choices);
};

const isInTime = ({ dueMs }: DueOrder, readyMs: number) => dueMs === null || readyMs <= dueMs;

/** Takes whole pots out of what is free, what is to be eaten first leading. */
function takeFromStock(
  one: DueOrder,
  need: Need,
  stocks: readonly StockOfMethod[],
  free: Map<string, number>,
  by: FillBy,
): readonly SetApart[] {
  const day = by.dayOf(Math.max(by.nowMs, one.dueMs ?? by.nowMs));
  const taken: SetApart[] = [];
  for (const stock of stocks) {
    if (need.leftG <= halfAPot(need)) break;
    const there = free.get(stock.batchId)!;
    if (there <= 0 || (stock.useBy !== null && stock.useBy < day) || !isSame(one, stock, by)) continue;
    const asked = stock.unit === 'g' ? need.leftG : Math.max(1, Math.round(need.leftG / stock.eachG));
    const count = Math.min(there, asked);
    const massG = count * stock.eachG;
    free.set(stock.batchId, there - count);
    need.leftG -= massG;
    need.eachG = Math.max(need.eachG, stock.eachG);
    taken.push({ batchId: stock.batchId, count, massG });
  }
  return taken;
}

/** What has no date stands last. */
const LAST = '9999-12-31';
const byDate = (a: FinishedStock, b: FinishedStock) =>
  (a.useBy ?? LAST).localeCompare(b.useBy ?? LAST) || a.finishedMs - b.finishedMs;
