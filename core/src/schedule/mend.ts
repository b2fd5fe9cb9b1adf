import type { PlannedMake, Setting, WantedMake } from './setting.js';
import { placeOf, type KeptPlace, type Standing } from './standing.js';
import { heldIn } from './timeline.js';
import type { PlacedWay } from './way.js';
import { waysAt } from './ways.js';

/** To move a make is work and worry: so much for doing it at all, and for each hour. */
const MOVE_COST = { once: 15, perH: 1.5 } as const;

const isSame = (a: PlacedWay, b: PlacedWay) =>
  a.startMin === b.startMin &&
  a.held?.step === b.held?.step &&
  a.held?.forMin === b.held?.forMin &&
  a.held?.afterWakingMin === b.held?.afterWakingMin;

/**
 * A setting in which a plan that was taken is mended rather than made anew: each make may stay where it is, if it holds there, or
 * move at a price, so that what a search finds moves as little as it must. What somebody has put where it is stays there.
 */
export function mending(setting: Setting, { makes, troubles }: Standing, places: readonly KeptPlace[]): Setting {
  const broken = new Set(troubles.filter((t) => t.breaks.some((b) => OF_ITSELF.has(b.is))).map((t) => t.make));
  const wanted = setting.wanted.map((of): WantedMake => {
    const place = placeOf(of, places);
    const make = makes.find((m) => m.orderId === of.order.id && m.part === of.part);
    if (!place || !make) return of;
    const here = waysAt(of.placing, Math.max(0, place.startMin), heldIn(of.network, place.held));
    if (place.pinned) return { ...of, ways: here };
    const away = of.ways
      .filter((way) => !here.some((h) => isSame(h, way)))
      .map((way): PlacedWay => ({ ...way, cost: way.cost + movedCost(way, make) }));
    return { ...of, ways: [...(broken.has(make) ? [] : here), ...away].sort((a, b) => a.cost - b.cost) };
  });
  const jobs = wanted.map(({ ways }, j) => ({ ...setting.puzzle.jobs[j]!, ways, alike: j }));
  return { ...setting, wanted, puzzle: { ...setting.puzzle, jobs } };
}

/** What breaks whatever else is on: to stay there mends nothing. Hands in the night cost what they cost, and may be the best there is. */
const OF_ITSELF: ReadonlySet<string> = new Set(['late', 'old', 'milk', 'over']);

const movedCost = (way: PlacedWay, { way: { startMin } }: PlannedMake) =>
  MOVE_COST.once + (MOVE_COST.perH * Math.abs(way.startMin - startMin)) / 60;

/** Hands that come at another time in one plan than in another. */
export interface MovedHand {
  readonly stageId: string;
  readonly name: string;
  readonly fromMin: number;
  readonly toMin: number;
}

/** A make that is not where it was. */
export interface Change {
  readonly orderId: string;
  readonly part: number;
  readonly name: string;
  /** When it began, and when it begins; null where it was not there, or is left out. */
  readonly fromMin: number | null;
  readonly toMin: number | null;
  readonly hands: readonly MovedHand[];
}

/** What is not where it was, from one plan to another: makes, and which of their hands come at another time. */
export function changesOf(before: readonly PlannedMake[], after: readonly PlannedMake[]): readonly Change[] {
  const key = (m: PlannedMake) => `${m.orderId} ${m.part}`;
  const byKey = (makes: readonly PlannedMake[]) => new Map(makes.map((m) => [key(m), m]));
  const [was, is] = [byKey(before), byKey(after)];
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((k): Change[] => {
    const [from, to] = [was.get(k), is.get(k)];
    const { orderId, part, name } = (to ?? from)!;
    const hands = from && to ? movedHands(from, to) : [];
    if (from && to && hands.length === 0) return [];
    const [fromMin, toMin] = [from?.way.startMin ?? null, to?.way.startMin ?? null];
    return [{ orderId, part, name, fromMin, toMin, hands }];
  });
}

function movedHands(from: PlannedMake, to: PlannedMake): readonly MovedHand[] {
  return to.network.steps.flatMap(({ stageId, name }, i): MovedHand[] => {
    const [fromMin, toMin] = [from.steps[i]?.beginMin, to.steps[i]!.beginMin];
    return fromMin === undefined || Math.abs(fromMin - toMin) < 1 ? [] : [{ stageId, name, fromMin, toMin }];
  });
}
