import type { Stand } from '../make/stands.js';
import { racksFor, type Rack } from './gear.js';
import type { Network } from './network.js';
import { mergedUses, SLOT_MIN, type Use } from './puzzle.js';
import { timesOf, type Held } from './timeline.js';
import { handsOf, standing } from './uses.js';
import { LIFE_SPENT, nightBefore, plainTimes, wayAt, type PlacedWay, type Placing, type WayAt } from './way.js';

/** The ways of beginning at one minute, whatever comes of it: one for each piece of gear that holds it; none beyond the horizon. */
export function waysAt(placing: Placing, startMin: number, held: Held | null = null): readonly PlacedWay[] {
  const { network, hours, racks } = placing;
  const likely = timesOf(network.steps, startMin, hours, 'likely', held);
  const way = likely && wayAt(placing, startMin, held, likely, plainTimes(placing, startMin));
  return way ? inAllRacks(way, rackSets(network.stands, racks), placing) : [];
}

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
  // A make that goes back into the same piece has it once, however late it came out of it.
  const uses = [...mergedUses(standing({ likely, late }, set, placing), 'most'), ...hands];
  return { ...way, racks: set, cost: way.cost + PIECE_COST * rank, uses };
}
