import { racksFor, type Rack } from './gear.js';
import type { Hours } from './hours.js';
import type { Stand } from '../make/stands.js';
import type { Luck, Network } from './network.js';
import { mergedUses, SLOT_MIN, type Use, type Way } from './puzzle.js';
import { needOf, type Need, type StarterHere } from './starters.js';
import { awakeMin, timesOf, type Held, type Times } from './timeline.js';
import { handsOf, standing } from './uses.js';

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

/** The ways of beginning at one minute, whatever comes of it: one for each piece of gear that holds it; none beyond the horizon. */
export function waysAt(placing: Placing, startMin: number, held: Held | null = null): readonly PlacedWay[] {
  const { network, hours, racks } = placing;
  const likely = timesOf(network.steps, startMin, hours, 'likely', held);
  const way = likely && wayAt(placing, startMin, held, likely, plainTimes(placing, startMin));
  return way ? inAllRacks(way, rackSets(network.stands, racks), placing) : [];
}

/** Of the life of a product as much may be over when it is handed on. */
export const LIFE_SPENT = 0.5;
/** How much hands at each of three lucks count. */
const LUCKS: readonly (readonly [Luck, number])[] = [
  ['likely', 0.5],
  ['early', 0.25],
  ['late', 0.25],
];
/** Holding on is offered for so long, minutes, of the step that gives most. */
const HOLDS_MIN = [240, 480, 720, 1080] as const;
/** Hands that all wait for morning need not all come at the same minute of it. */
const AFTER_WAKING_MIN = [15, 30, 45, 75] as const;
const WORTH_HOLDING_MIN = 120;
/** Pieces of each kind that are tried. */
const PIECES = 2;
const PIECE_COST = 0.02;

/** Every way of doing a make, the cheapest first: each quarter of an hour it might begin, held on or not, in each piece that holds it. */
export function waysOf(placing: Placing): readonly PlacedWay[] {
  const { network, hours, fromMin, dueMin, racks } = placing;
  const sets = rackSets(network.stands, racks);
  if (sets.length === 0) return [];
  const untilMin = dueMin ?? hours.horizonMin;
  const oldestMin = dueMin === null ? 0 : dueMin - LIFE_SPENT * 1440 * network.keepsDays;
  const longestMin = network.steps.reduce((sum, s) => sum + s.lasts.late + Math.min(s.give.lateMin, 1440), 0);
  const first = Math.max(0, fromMin, oldestMin - longestMin);
  const helds = heldsOf(network);
  const found: WayAt[] = [];
  const fineMin = dueMin === null ? 0 : dueMin - FINE_MIN;
  for (let start = Math.ceil(first / SLOT_MIN) * SLOT_MIN; start < untilMin;) {
    const seen = new Set<number>();
    const plain = plainTimes(placing, start);
    // Where hands fall in the night before anything could be held on, holding on is no use.
    const tried = plain.likely && nightBefore(placing, plain.likely, helds.at(-1)) > 0 ? [null] : helds;
    for (const held of tried) {
      const likely = held ? timesOf(network.steps, start, hours, 'likely', held, plain.likely) : plain.likely;
      if (!likely || likely.at(-1)! < oldestMin || likely.at(-1)! > untilMin) continue;
      // Held on or not, ways whose steps end alike are one.
      const ends = likely.reduce((sum, at, i) => sum + (i + 1) * at, 0);
      if (seen.has(ends)) continue;
      seen.add(ends);
      const way = wayAt(placing, start, held, likely, plain);
      if (way && (dueMin === null || way.readyLateMin <= dueMin)) found.push(way);
    }
    start += start < fineMin ? COARSE_MIN - (start % COARSE_MIN) : SLOT_MIN;
  }
  return bestOfEach(found)
    .flatMap((way) => inAllRacks(way, sets, placing))
    .sort((a, b) => a.cost - b.cost || a.startMin - b.startMin);
}

/** Times by each luck of a make in which nothing is held. */
type Plain = Readonly<Record<Luck, Times | null>>;

function plainTimes({ network: { steps }, hours }: Placing, startMin: number): Plain {
  const by = (luck: Luck) => timesOf(steps, startMin, hours, luck);
  return { likely: by('likely'), early: by('early'), late: by('late') };
}

/** Minutes of hands in the night up to the beginning of the step that may be held on. */
function nightBefore({ network: { steps }, hours }: Placing, times: Times, held: Held | null | undefined): number {
  let sum = 0;
  for (let i = 0; held && i <= held.step; i++) sum += hours.nightMin(times[i]!, times[i]! + awakeMin(steps[i]!));
  return sum;
}

/** So long before it is wanted, minutes, every quarter of an hour is tried, and before that every hour. */
const FINE_MIN = 3 * 1440;
const COARSE_MIN = 60;

/** Of the ways that begin within so long of each other, minutes, so many are kept, and fewer of those that fall in the night. */
const ALIKE_MIN = 60;
const KEPT = 4;
const KEPT_BY_NIGHT = 1;

/** The cheapest ways of each hour at which it might begin. */
function bestOfEach(ways: readonly WayAt[]): readonly WayAt[] {
  const kept = new Map<number, number>();
  return [...ways]
    .sort((a, b) => a.cost - b.cost || a.startMin - b.startMin)
    .filter(({ startMin, nightMin }) => {
      const hour = Math.floor(startMin / ALIKE_MIN);
      const before = kept.get(hour) ?? 0;
      if (before >= (nightMin > 0 ? KEPT_BY_NIGHT : KEPT)) return false;
      kept.set(hour, before + 1);
      return true;
    });
}

/** A way to do a make that begins at a minute, before it is given its gear; null where it is not over within the horizon. */
function wayAt(placing: Placing, startMin: number, held: Held | null, likely: Times, plain: Plain): WayAt | null {
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

/** A feeding is work, and to buy a culture is worse. */
const STARTER_COST: Readonly<Record<Need['is'], number>> = { ready: 0, feed: 3, buy: 6 };

function starterFor({ network: { sown }, starters, hours }: Placing, likely: Times): Need {
  if (!sown || !starters) return { is: 'ready' };
  return needOf(starters, sown.culture, sown.massG, likely[sown.step]!, hours);
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

/** Nothing held, or the step that gives most. */
function heldsOf({ steps }: Network): readonly (Held | null)[] {
  const most = steps
    .slice(0, -1)
    .reduce((best, s, i) => (s.give.lateMin > (steps[best]?.give.lateMin ?? 0) ? i : best), 0);
  const { lateMin } = steps[most]!.give;
  if (lateMin < WORTH_HOLDING_MIN) return [null];
  const held = HOLDS_MIN.filter((forMin) => forMin <= lateMin).map((forMin) => ({
    step: most,
    forMin,
    afterWakingMin: 0,
  }));
  return [null, ...held, ...AFTER_WAKING_MIN.map((afterWakingMin) => ({ step: most, forMin: 0, afterWakingMin }))];
}

/** Ways to give each stand a rack, the smallest that do first; none where one of them finds none. */
function rackSets(stands: readonly Stand[], racks: readonly Rack[]): readonly (readonly number[])[] {
  return stands.reduce<readonly (readonly number[])[]>(
    (sets, stand) =>
      sets.flatMap((set) =>
        racksFor(stand, racks)
          .slice(0, PIECES)
          .map((r) => [...set, r]),
      ),
    [[]],
  );
}

function inAllRacks(way: WayAt, sets: readonly (readonly number[])[], placing: Placing): readonly PlacedWay[] {
  const hands = handsOf(way, placing);
  return sets.map((set, rank) => inRacks(way, hands, set, rank, placing));
}

function inRacks(
  { likely, late, ...way }: WayAt,
  hands: readonly Use[],
  set: readonly number[],
  rank: number,
  placing: Placing,
): PlacedWay {
  const uses = [...mergedUses(standing({ likely, late }, set, placing)), ...hands];
  return { ...way, racks: set, cost: way.cost + PIECE_COST * rank, uses };
}
