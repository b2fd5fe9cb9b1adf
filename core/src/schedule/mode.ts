import { normalBelow, Z_NINE_IN_TEN, Z_THREE_IN_TEN } from '../random/normal.js';
import type { DayRow } from './day-hands.js';
import type { GearResource } from './gear-resources.js';
import type { Hours } from './hours.js';
import type { Network } from './network.js';
import type { Share } from './orders.js';
import type { Mode } from './instance.js';
import { needOf, type Need, type StarterHere } from './starters.js';
import type { Supplied } from './supplies.js';
import { awakeMin, strayedTimes, type Extension, type Times } from './timeline.js';

/** What somebody would rather have, as costs: the higher, the more it is avoided. */
export interface ObjectiveWeights {
  /** A minute of hands in the night, or while nobody is at home. */
  readonly nightMin: number;
  /** A minute of hands outside working hours. */
  readonly offMin: number;
  /** An hour that it stands ready before it is wanted, more or less than is wished for. */
  readonly ageH: number;
  /** It is wished to stand ready so long before, h. */
  readonly spareH: number;
  /** That an order is missed about once (a chance of 1/e to be met); no cost where it is as sure as it has to be. */
  readonly missed: number;
  /** All the slack of a souring used, and of what does not sour. */
  readonly souringSlack: number;
  readonly otherSlack: number;
  /** An hour that it comes later, where nobody said when it is wanted. */
  readonly laterH: number;
}

export const USUAL_WEIGHTS: ObjectiveWeights = {
  nightMin: 60,
  offMin: 1,
  ageH: 0.25,
  spareH: 0,
  missed: 20_000,
  souringSlack: 8,
  otherSlack: 1,
  laterH: 0.05,
};

/** A mode of doing a make: when it begins, what is extended purpose, in which pieces of gear, and what of it costs. */
export interface MakeMode extends Mode {
  readonly startMin: number;
  readonly extension: Extension | null;
  /** For each of the network's gear demands the place of the gear resource it is given. */
  readonly gearResources: readonly number[];
  readonly readyMin: number;
  /** Ready by then nine times in ten. */
  readonly readyLateMin: number;
  /** Chance that it is ready when it is wanted, of itself, 0–1; 1 where nobody said when. */
  readonly metChance: number;
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
  readonly gearResources: readonly GearResource[];
  /** Wanted by then; null for any time. */
  readonly dueMin: number | null;
  /** What of it is handed on when, the first of it first; all of it then where left out. */
  readonly shares?: readonly Share[];
  /** Not begun before. */
  readonly fromMin: number;
  /** Ready by this minute as likely, whenever it is handed on; whenever that is in time where left out. */
  readonly readyByMin?: number;
  /** It is to be ready in time with such a chance at least, 0–1; and surer than this it need not be, for all orders to be met as wished. */
  readonly leastChance: number;
  readonly sureChance: number;
  /** True where every way is tried, however much like another. */
  readonly thorough?: boolean;
  readonly weights: ObjectiveWeights;
  /** What it takes of what comes; left out where that is no matter. */
  readonly supplied?: readonly Supplied[];
  /** Hands of each day, where they are enough at some time. */
  readonly dayRow?: DayRow | null;
  /** Cultures that are there; null where they are no matter. */
  readonly starters: readonly StarterHere[] | null;
}
/** Of the life of a product as much may be over when it is handed on. */
export const LIFE_SPENT = 0.5;
/**
 * How a make may go, besides as is likely: ahead and behind as one time in ten, and as three in ten, of what is less than one in ten.
 * With the likely one they are five, each as likely as another.
 */
const BEHIND = [-1, -Z_THREE_IN_TEN / Z_NINE_IN_TEN, Z_THREE_IN_TEN / Z_NINE_IN_TEN, 1] as const;
const SHARE = 1 / (1 + BEHIND.length);

/** Minutes of hands in the night up to the beginning of the step that may be extended. */
export function nightBefore(
  { network: { steps }, hours }: Placing,
  times: Times,
  extension: Extension | null | undefined,
): number {
  let sum = 0;
  for (let i = 0; extension && i <= extension.step; i++)
    sum += hours.ofStep(steps[i]!).nightMin(times[i]!, times[i]! + awakeMin(steps[i]!));
  return sum;
}

/** A mode as far as it is known from how it likely goes: the whole of it costs as much at least. */
export interface LikelyMode {
  readonly extension: Extension | null;
  readonly times: Times;
  /** The same begun alike with nothing extended. */
  readonly plain: Strays;
  readonly starter: Need;
  readonly nightMin: number;
  readonly offMin: number;
  readonly cost: number;
}

/** A make of which nothing is extended in each of the ways it may go: worked out once it is asked for. */
export type Strays = (way: number) => Times | null;

export function straysOf({ network: { steps }, hours }: Placing, likely: Times): Strays {
  const known: (Times | null | undefined)[] = [];
  return (way) => (known[way] ??= strayedTimes(steps, likely, hours, BEHIND[way]!));
}

/** The mode of a make that likely goes so. */
export function likelyMode(placing: Placing, extension: Extension | null, times: Times, plain: Strays): LikelyMode {
  const { network, hours, dueMin, weights } = placing;
  const readyMin = times[times.length - 1]!;
  const starter = starterFor(placing, times);
  const [nightMin, offMin] = handsAway(network.steps, times, hours);
  const cost =
    weights.nightMin * nightMin +
    weights.offMin * offMin +
    (dueMin === null ? (weights.laterH * readyMin) / 60 : agesCost(placing, dueMin, readyMin)) +
    slackCost(network, times, weights) +
    STARTER_COST[starter.is];
  return { extension, times, plain, starter, nightMin, offMin, cost };
}

/** The same with what comes of it where the make is ahead or behind; null where that is not over within the horizon. */
export function wholeMode(placing: Placing, of: LikelyMode, at: Times): UnequippedMode | null {
  const { network, hours, dueMin, weights } = placing;
  const { extension, times: likely, plain, starter } = of;
  const [startMin, readyMin] = [likely[0]!, likely[likely.length - 1]!];
  let [nightMin, offMin, cost, readyLateMin] = [of.nightMin, of.offMin, of.cost, readyMin];
  for (let way = 0; way < BEHIND.length; way++) {
    const unextended = plain(way);
    const times =
      extension && unextended
        ? strayedTimes(network.steps, likely, hours, BEHIND[way]!, extension, unextended, at)
        : unextended;
    if (!times) return null;
    if (BEHIND[way] === 1) readyLateMin = times[times.length - 1]!;
    const [night, off] = handsAway(network.steps, times, hours);
    nightMin += night;
    offMin += off;
    cost += weights.nightMin * night + weights.offMin * off;
  }
  const metChance = dueMin === null ? 1 : chanceBy(dueMin, readyMin, readyLateMin);
  cost += missedCost(metChance, placing);
  const ageH = dueMin === null ? 0 : (dueMin - readyMin) / 60;
  return { startMin, extension, readyMin, readyLateMin, metChance, nightMin, offMin, ageH, starter, cost };
}
/** What it costs that all of it stands ready sooner or later before it is handed on than is wished. */
function agesCost({ shares, weights: { ageH, spareH } }: Placing, dueMin: number, readyMin: number): number {
  const costOf = (atMin: number) => ageH * Math.abs((atMin - readyMin) / 60 - spareH);
  if (!shares || shares.length < 2) return costOf(dueMin);
  return shares.reduce((sum, share) => sum + (share.dueMin === null ? 0 : costOf(share.dueMin)), 0);
}

/** Minutes of hands in the night, and outside working hours, as much as one of the ways a make may go counts. */
function handsAway(steps: Network['steps'], times: Times, hours: Hours): readonly [number, number] {
  let [night, off] = [0, 0];
  for (let i = 0; i < steps.length; i++) {
    const beginMin = times[i]!;
    const untilMin = beginMin + awakeMin(steps[i]!);
    const own = hours.ofStep(steps[i]!);
    night += own.nightMin(beginMin, untilMin);
    off += own.offMin(beginMin, untilMin);
  }
  return [SHARE * night, SHARE * off];
}

/** Chance that what is likely ready at one minute, and nine times in ten by another, is ready by a third. */
function chanceBy(dueMin: number, readyMin: number, readyLateMin: number): number {
  if (readyLateMin <= readyMin) return dueMin >= readyMin ? 1 : 0;
  return normalBelow((Z_NINE_IN_TEN * (dueMin - readyMin)) / (readyLateMin - readyMin));
}

/** What it costs that an order may be missed: chances of several makes multiply, so what is added is their logarithm. */
const missedCost = (metChance: number, { sureChance, weights }: Placing): number =>
  weights.missed * Math.max(0, Math.log(sureChance / Math.max(metChance, 1e-9)));

/** A feeding is work, a tired starter a risk, and to buy a culture is worse. */
const STARTER_COST: Readonly<Record<Need['is'], number>> = { ready: 0, feed: 3, more: 4, buy: 6 };

function starterFor({ network: { sown }, starters, hours }: Placing, likely: Times): Need {
  if (!sown || !starters) return { is: 'ready' };
  return needOf(starters, sown.culture, sown.massG, likely[sown.step]!, hours, likely[0]!);
}

/** A mode before it is given its gear. */
export type UnequippedMode = Omit<MakeMode, 'gearResources' | 'uses'>;

function slackCost({ steps }: Network, likely: Times, { souringSlack, otherSlack }: ObjectiveWeights): number {
  return steps.reduce((sum, { slack, sours, lasts, ends }, i) => {
    const moved = ends ? 0 : likely[i + 1]! - likely[i]! - lasts.likely;
    const most = moved > 0 ? slack.lateMin : slack.earlyMin;
    return Math.abs(moved) < 1e-6 || most <= 0
      ? sum
      : sum + (sours ? souringSlack : otherSlack) * Math.min(1, Math.abs(moved) / most) ** 2;
  }, 0);
}
