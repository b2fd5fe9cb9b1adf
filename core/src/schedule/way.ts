import type { Rack } from './gear.js';
import type { Hours } from './hours.js';
import type { Luck, Network } from './network.js';
import type { Way } from './puzzle.js';
import { needOf, type Need, type StarterHere } from './starters.js';
import { awakeMin, timesOf, type Held, type Times } from './timeline.js';

/** What somebody would rather have, as costs: the higher, the more it is avoided. */
export interface Wishes {
  /** A minute of hands in the night, or while nobody is at home. */
  readonly nightMin: number;
  /** A minute of hands outside working hours. */
  readonly offMin: number;
  /** An hour that it stands ready before it is wanted, more or less than is wished for. */
  readonly ageH: number;
  /** It is wished to stand ready so long before, h. */
  readonly spareH: number;
  /** All the give of a souring used, and of what does not sour. */
  readonly sourGive: number;
  readonly otherGive: number;
  /** An hour that it comes later, where nobody said when it is wanted. */
  readonly laterH: number;
}

export const USUAL_WISHES: Wishes = {
  nightMin: 60,
  offMin: 1,
  ageH: 0.25,
  spareH: 0,
  sourGive: 8,
  otherGive: 1,
  laterH: 0.05,
};

/** A way of doing a make: when it begins, what is held on purpose, in which pieces of gear, and what of it costs. */
export interface PlacedWay extends Way {
  readonly startMin: number;
  readonly held: Held | null;
  /** For each of the network's stands the place of the rack it is given. */
  readonly racks: readonly number[];
  readonly readyMin: number;
  /** Ready by then nine times in ten. */
  readonly readyLateMin: number;
  readonly nightMin: number;
  readonly offMin: number;
  /** It stands ready so long before it is wanted, h; 0 where nobody said when. */
  readonly ageH: number;
  /** What it needs of a culture before it. */
  readonly starter: Need;
}

/** What a make is placed for. */
export interface Placing {
  readonly network: Network;
  readonly hours: Hours;
  readonly racks: readonly Rack[];
  /** Wanted by then; null for any time. */
  readonly dueMin: number | null;
  /** Not begun before. */
  readonly fromMin: number;
  readonly wishes: Wishes;
  /** Cultures that are there; null where they are no matter. */
  readonly starters: readonly StarterHere[] | null;
}
/** Of the life of a product as much may be over when it is handed on. */
export const LIFE_SPENT = 0.5;
/** How much hands at each of three lucks count. */
const LUCKS: readonly (readonly [Luck, number])[] = [
  ['likely', 0.5],
  ['early', 0.25],
  ['late', 0.25],
];
/** Times by each luck of a make in which nothing is held. */
export type Plain = Readonly<Record<Luck, Times | null>>;

export function plainTimes({ network: { steps }, hours }: Placing, startMin: number): Plain {
  const by = (luck: Luck) => timesOf(steps, startMin, hours, luck);
  return { likely: by('likely'), early: by('early'), late: by('late') };
}

/** Minutes of hands in the night up to the beginning of the step that may be held on. */
export function nightBefore(
  { network: { steps }, hours }: Placing,
  times: Times,
  held: Held | null | undefined,
): number {
  let sum = 0;
  for (let i = 0; held && i <= held.step; i++) sum += hours.nightMin(times[i]!, times[i]! + awakeMin(steps[i]!));
  return sum;
}

/** A way to do a make that begins at a minute, before it is given its gear; null where it is not over within the horizon. */
export function wayAt(
  placing: Placing,
  startMin: number,
  held: Held | null,
  likely: Times,
  plain: Plain,
): WayAt | null {
  const { network, hours, dueMin, wishes } = placing;
  const { steps } = network;
  let late = likely;
  let [nightMin, offMin] = [0, 0];
  for (const [luck, weight] of LUCKS) {
    const times =
      luck === 'likely' ? likely : held ? timesOf(steps, startMin, hours, luck, held, plain[luck]) : plain[luck];
    if (!times) return null;
    if (luck === 'late') late = times;
    for (let i = 0; i < steps.length; i++) {
      const beginMin = times[i]!;
      const untilMin = beginMin + awakeMin(steps[i]!, luck);
      nightMin += weight * hours.nightMin(beginMin, untilMin);
      offMin += weight * hours.offMin(beginMin, untilMin);
    }
  }
  const readyMin = likely.at(-1)!;
  const readyLateMin = late.at(-1)!;
  const starter = starterFor(placing, likely);
  const ageH = dueMin === null ? 0 : (dueMin - readyMin) / 60;
  const cost =
    wishes.nightMin * nightMin +
    wishes.offMin * offMin +
    (dueMin === null ? 0 : wishes.ageH * Math.abs(ageH - wishes.spareH)) +
    giveCost(network, likely, wishes) +
    STARTER_COST[starter.is] +
    (dueMin === null ? (wishes.laterH * readyMin) / 60 : 0);
  return { startMin, held, readyMin, readyLateMin, nightMin, offMin, ageH, starter, cost, likely, late };
}

/** A feeding is work, a tired starter a risk, and to buy a culture is worse. */
const STARTER_COST: Readonly<Record<Need['is'], number>> = { ready: 0, feed: 3, more: 4, buy: 6 };

function starterFor({ network: { sown }, starters, hours }: Placing, likely: Times): Need {
  if (!sown || !starters) return { is: 'ready' };
  return needOf(starters, sown.culture, sown.massG, likely[sown.step]!, hours, likely[0]!);
}

/** A way before it is given its gear, and how it goes by luck. */
export interface WayAt extends Omit<PlacedWay, 'racks' | 'uses'> {
  readonly likely: Times;
  readonly late: Times;
}

function giveCost({ steps }: Network, likely: Times, { sourGive, otherGive }: Wishes): number {
  return steps.reduce((sum, { give, sours, lasts }, i) => {
    const moved = likely[i + 1]! - likely[i]! - lasts.likely;
    const most = moved > 0 ? give.lateMin : give.earlyMin;
    return Math.abs(moved) < 1e-6 || most <= 0
      ? sum
      : sum + (sours ? sourGive : otherGive) * Math.min(1, Math.abs(moved) / most) ** 2;
  }, 0);
}
