import { peopleOver, planDays } from '@oat-crock/calendar';
import { ordersOf, plannedBatchesOf, type PlannedBatch } from '@oat-crock/contract/api';
import {
  breaksOfItself,
  groupsOf,
  sharesOf,
  type Together,
  likenessOf,
  lotsLeft,
  neededBy,
  toBuy,
  type Break,
  type Change,
  type KeptPlace,
  type MakesAndTasks,
  type Needed,
  type Plan,
  type PlanAsked,
  type PlannedMake,
  type PlanningProblem,
  type ToBuy,
  cultureName,
  say,
  USUAL_KITCHEN,
} from '@oat-crock/core';
import { monotonicFactory } from 'ulid';
import type { NotMet, PlanShown, PlanWanted, BatchBreak, BatchChange, BuyBy, LeftOver, TakeOut } from './planner-api';

const MIN_MS = 60_000;
const nextId = monotonicFactory();
/** Ids of planned batches that were never kept: the same for as long as the page is open. */
const ids = new Map<string, string>();

function idOf(occurrenceId: string, part: number, atMs: number): string {
  const key = `${occurrenceId} ${part}`;
  const id = ids.get(key) ?? nextId(atMs);
  ids.set(key, id);
  return id;
}

/** What a plan is made of, in minutes from its beginning. */
export function askedOf(
  wanted: PlanWanted,
  places: readonly KeptPlace[],
  others: Together['others'] = 'never',
): PlanAsked {
  const { startMs, untilMs, occurrences, methods, settings, gear, stocks, starters, supplies, lots, milk } = wanted;
  const { known, committed } = wanted;
  const horizonMin = (untilMs - startMs) / MIN_MS;
  const byId = new Map(methods.map((m) => [m.id, m]));
  const { roomC, refrigeratorC, hobW } = settings;
  return {
    orders: ordersOf(occurrences, startMs, (id) => byId.get(id)),
    people: peopleOver(settings, startMs, horizonMin),
    days: planDays(settings, startMs, horizonMin),
    gear: gear.map(({ kind, name, holdsL, count }) => ({ kind, name, holdsL, count })),
    kitchen: { ...USUAL_KITCHEN, roomC, refrigeratorC, hobW },
    stocks,
    ...(starters && { starters }),
    supplies,
    lots,
    ...(milk && { milk }),
    ...(known && { known }),
    committed,
    chance: settings.planChance,
    ...(settings.liftKg !== null && { liftG: 1000 * settings.liftKg }),
    pins: places.filter((p) => p.pinned).map(({ startMin, ...pin }) => ({ ...pin, startMin: Math.max(0, startMin) })),
    together: { groups: groupsOf(places), others },
    horizonMin,
    seed: 1,
  };
}

const momentOf =
  ({ startMs }: PlanWanted) =>
  (min: number): number =>
    Math.round(startMs + min * MIN_MS);

/** A plan's makes as planned batches. */
export function shownBatches(
  wanted: PlanWanted,
  makes: readonly PlannedMake[],
  places: readonly KeptPlace[],
  problem: PlanningProblem,
): readonly PlannedBatch[] {
  const pinned = new Set(places.filter((p) => p.pinned).map((p) => `${p.orderId} ${p.part}`));
  const { occurrences, startMs, before } = wanted;
  const isPinned = ({ orderId, part }: PlannedMake) => pinned.has(`${orderId} ${part}`);
  const accepted = (make: PlannedMake) => [...new Set(breaksOfItself(problem, make).map((b) => b.is))];
  return plannedBatchesOf({ makes }, occurrences, startMs, before, (id, part) => idOf(id, part, startMs), {
    isPinned,
    accepted,
  });
}

/** A plan as the page shows it. */
export function shownOf(
  wanted: PlanWanted,
  plan: MakesAndTasks & Pick<Plan, 'unmet'>,
  problem: PlanningProblem,
  places: readonly KeptPlace[],
  chances: PlanShown['chances'],
): PlanShown {
  const ms = momentOf(wanted);
  const lots = [...wanted.lots, ...lotsLeft(plan.makes)];
  const needs = neededBy(plan.makes, lots);
  const takes = new Map<string, TakeOut>();
  for (const { from, atMin } of needs)
    for (const { lotId, massG } of from) {
      const was = takes.get(lotId);
      const { name, fromMin, kind } = lots.find((l) => l.id === lotId)!;
      const firstMs = Math.min(was?.firstMs ?? Infinity, ms(atMin));
      const of = kind === 'yogurt' || kind === 'clabber' ? 'make' : 'lot';
      takes.set(lotId, { lotId, of, name, massG: (was?.massG ?? 0) + massG, firstMs, comes: fromMin !== undefined });
    }
  return {
    plannedBatches: shownBatches(wanted, plan.makes, places, problem),
    notMet: notMetOf(plan, problem),
    likeness: likenessOf(plan),
    chances,
    buys: [...buysOf(plan, needs), ...toMeet(plan, problem)]
      .sort((a, b) => a.byMin - b.byMin)
      .map(({ byMin, ...buy }) => ({ ...buy, byMs: ms(byMin) })),
    leftOver: leftOver(wanted, takes),
    takes: [...takes.values()].sort((a, b) => a.firstMs - b.firstMs),
  };
}

/** What is left out, each order once though several of its makes are, with the first of the reasons. */
function notMetOf({ unmet }: Pick<Plan, 'unmet'>, { orders }: PlanningProblem): readonly NotMet[] {
  const byOrder = new Map<string, NotMet>();
  for (const { orderId, why, remedy } of unmet) {
    const order = orders.find((o) => o.id === orderId);
    for (const { orderId: occurrenceId, name } of order ? sharesOf(order) : [])
      if (!byOrder.has(occurrenceId))
        byOrder.set(occurrenceId, { occurrenceId, name: name ?? order!.method.name, why, remedy });
  }
  return [...byOrder.values()];
}

type Buys = Omit<BuyBy, 'byMs'> & Pick<ToBuy, 'byMin'>;

/** What is to be bought for what is in the plan. */
const buysOf = ({ makes }: MakesAndTasks, needs: readonly Needed[]): readonly Buys[] =>
  [...toBuy(needs), ...startersToBuy(makes)].map((buy) => ({ ...buy, toMeet: null }));

/** What would be to be bought for what is left out as there is too little of it. */
const toMeet = ({ unmet }: Pick<Plan, 'unmet'>, { orders }: PlanningProblem): readonly Buys[] =>
  unmet.flatMap(({ orderId, buys }): Buys[] => {
    const order = orders.find((o) => o.id === orderId);
    if (!buys || !order) return [];
    const what = say('plan.kindOfSupply', { kind: buys.kind });
    return [{ what, massG: buys.massG, byMin: buys.byMin, toMeet: order.name ?? order.method.name }];
  });

/** So little that is left over is not worth saying, g. */
const LITTLE_G = 200;

/** What goes off within the plan with more than a little of it left. */
const leftOver = (
  { lots, supplies, startMs, untilMs }: PlanWanted,
  takes: ReadonlyMap<string, TakeOut>,
): readonly LeftOver[] =>
  supplies.flatMap(({ id }): LeftOver[] => {
    const lot = lots.find((l) => l.id === id);
    if (!lot || lot.untilMin === null) return [];
    const massG = lot.leftG - (takes.get(id)?.massG ?? 0);
    const offMs = startMs + lot.untilMin * MIN_MS;
    return massG > LITTLE_G && offMs < untilMs ? [{ name: lot.name, massG, offMs }] : [];
  });

/** Starters that none of the cultures there are would give in time. */
function startersToBuy(makes: readonly PlannedMake[]): readonly ToBuy[] {
  return makes.flatMap(({ buysStarter, network: { sown }, steps }): ToBuy[] =>
    buysStarter && sown
      ? [
          {
            what: say('plan.freshStarter', { name: cultureName(sown.culture, 'active') }),
            massG: sown.massG,
            byMin: steps[sown.step]!.beginMin,
          },
        ]
      : [],
  );
}

export const breaksOf = (wanted: PlanWanted, breaks: readonly Break[]): readonly BatchBreak[] =>
  breaks.map(({ is, says, atMin }) => ({ is, says, atMs: atMin === null ? null : momentOf(wanted)(atMin) }));

export function changesShown(wanted: PlanWanted, changes: readonly Change[]): readonly BatchChange[] {
  const ms = momentOf(wanted);
  const orNull = (min: number | null) => (min === null ? null : ms(min));
  return changes.map(({ name, fromMin, toMin, tasks }) => ({
    name,
    fromMs: orNull(fromMin),
    toMs: orNull(toMin),
    tasks: tasks.map((h) => ({ name: h.name, fromMs: ms(h.fromMin), toMs: ms(h.toMin) })),
  }));
}
