import type { Text } from '../messages/message.js';
import type { PlannedMake, PlanningProblem, WantedMake } from './planning-problem.js';
import { placeOf, type KeptPlace, type Standing } from './standing.js';
import { placesNow } from './together.js';
import { extensionIn } from './timeline.js';
import type { MakeMode } from './mode.js';
import { modesAt } from './modes.js';

/** To move a make is work and worry: so much for doing it at all, and for each hour. */
const MOVE_COST = { once: 15, perH: 1.5 } as const;

const isSame = (a: MakeMode, b: MakeMode) =>
  a.startMin === b.startMin &&
  a.extension?.step === b.extension?.step &&
  a.extension?.forMin === b.extension?.forMin &&
  a.extension?.afterWakingMin === b.extension?.afterWakingMin;

/**
 * A setting in which a plan that was taken is mended rather than made anew: each make may stay where it is, if it holds there, or
 * move at a price, so that what a search finds moves as little as it must. What somebody has put where it is stays there.
 */
export function mending(
  problem: PlanningProblem,
  { makes, troubles }: Standing,
  kept: readonly KeptPlace[],
): PlanningProblem {
  const places = placesNow(problem.orders, kept);
  const broken = new Set(troubles.filter((t) => t.breaks.some((b) => OF_ITSELF.has(b.is))).map((t) => t.make));
  const wanted = problem.wanted.map((of): WantedMake => {
    const place = placeOf(of, places);
    const make = makes.find((m) => m.orderId === of.order.id && m.part === of.part);
    if (!place || !make) return of;
    const here = modesAt(of.placing, Math.max(0, place.startMin), extensionIn(of.network, place.extension));
    if (place.pinned) return { ...of, modes: here };
    const away = of.modes
      .filter((mode) => !here.some((h) => isSame(h, mode)))
      .map((mode): MakeMode => ({ ...mode, cost: mode.cost + movedCost(mode, make) }));
    return { ...of, modes: [...(broken.has(make) ? [] : here), ...away].sort((a, b) => a.cost - b.cost) };
  });
  const jobs = wanted.map(({ modes }, j) => ({ ...problem.instance.jobs[j]!, modes, alike: j }));
  return { ...problem, wanted, instance: { ...problem.instance, jobs } };
}

/** What breaks whatever else is on: to stay there mends nothing. Hands in the night cost what they cost, and may be the best there is. */
const OF_ITSELF: ReadonlySet<string> = new Set(['late', 'old', 'milk', 'over']);

const movedCost = (mode: MakeMode, { mode: { startMin } }: PlannedMake) =>
  MOVE_COST.once + (MOVE_COST.perH * Math.abs(mode.startMin - startMin)) / 60;

/** Hands that come at another time in one plan than in another. */
export interface MovedTask {
  readonly stageId: string;
  readonly name: Text;
  readonly fromMin: number;
  readonly toMin: number;
}

/** A make that is not where it was. */
export interface Change {
  readonly orderId: string;
  readonly part: number;
  readonly name: Text;
  /** When it began, and when it begins; null where it was not there, or is left out. */
  readonly fromMin: number | null;
  readonly toMin: number | null;
  readonly tasks: readonly MovedTask[];
}

/** What is not where it was, from one plan to another: makes, and which of their hands come at another time. */
export function changesOf(before: readonly PlannedMake[], after: readonly PlannedMake[]): readonly Change[] {
  const key = (m: PlannedMake) => `${m.orderId} ${m.part}`;
  const byKey = (makes: readonly PlannedMake[]) => new Map(makes.map((m) => [key(m), m]));
  const [was, is] = [byKey(before), byKey(after)];
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((k): Change[] => {
    const [from, to] = [was.get(k), is.get(k)];
    const { orderId, part, name } = (to ?? from)!;
    const tasks = from && to ? movedTasks(from, to) : [];
    if (from && to && tasks.length === 0) return [];
    const [fromMin, toMin] = [from?.mode.startMin ?? null, to?.mode.startMin ?? null];
    return [{ orderId, part, name, fromMin, toMin, tasks }];
  });
}

function movedTasks(from: PlannedMake, to: PlannedMake): readonly MovedTask[] {
  return to.network.steps.flatMap(({ stageId, name }, i): MovedTask[] => {
    const [fromMin, toMin] = [from.steps[i]?.beginMin, to.steps[i]!.beginMin];
    return fromMin === undefined || Math.abs(fromMin - toMin) < 1 ? [] : [{ stageId, name, fromMin, toMin }];
  });
}
