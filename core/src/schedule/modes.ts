import type { GearDemand } from '../make/gear-demands.js';
import { dayUses } from './day-hands.js';
import { gearResourcesFor } from './gear-resources.js';
import type { Network } from './network.js';
import { lastDueOf } from './orders.js';
import { SLOT_MIN, type Use } from './instance.js';
import { suppliedUses } from './supplies.js';
import { strayedTimes, timesOf, type Extension, type Times } from './timeline.js';
import { labourOf, shelfOf, standingIn, type GivenPiece } from './uses.js';
import {
  LIFE_SPENT,
  likelyMode,
  nightBefore,
  straysOf,
  wholeMode,
  type LikelyMode,
  type MakeMode,
  type Placing,
  type UnequippedMode,
} from './mode.js';

/** The modes that begin at one minute, whatever comes of it: one for each piece of gear that holds it; none beyond the horizon. */
export function modesAt(placing: Placing, startMin: number, extension: Extension | null = null): readonly MakeMode[] {
  const { network, hours } = placing;
  const times = timesOf(network.steps, startMin, hours, extension);
  const at = new Float64Array(network.steps.length + 1);
  const plain = extension ? timesOf(network.steps, startMin, hours) : times;
  const mode =
    times && plain && wholeMode(placing, likelyMode(placing, extension, times, straysOf(placing, plain)), at);
  return mode ? onAllGear(mode, gearSetsOf(placing), placing) : [];
}

/** Extensions are offered for so long, minutes, of the step with the most slack. */
const HOLDS_MIN = [240, 480, 720, 1080] as const;
/** Hands that all wait for morning need not all come at the same minute of it. */
const AFTER_WAKING_MIN = [15, 30, 45, 75] as const;
const WORTH_HOLDING_MIN = 120;

/** How many of the modes that there are are searched among. */
interface Ways {
  /** Of the modes that are much alike, so many are kept, and so many of those that fall in the night. */
  readonly kept: number;
  readonly keptByNight: number;
  /** Pieces of each kind of gear that are tried. */
  readonly pieces: number;
  /** Of modes begun longer than so before it is wanted, h, one begin an hour is tried, and so many are kept. */
  readonly farH: number;
  readonly keptFar: number;
}

/** Enough that next to nothing is lost: on sixty tight weeks half of one in a hundred at the most. */
const USUAL_WAYS: Ways = { kept: 6, keptByNight: 3, pieces: 2, farH: 96, keptFar: 2 };
const EVERY_WAY: Ways = { kept: Infinity, keptByNight: Infinity, pieces: Infinity, farH: Infinity, keptFar: Infinity };
const PIECE_COST = 0.02;

/** Modes that begin within so long of each other, minutes, are much alike. */
const ALIKE_MIN = 60;

/**
 * Every mode of doing a make, the cheapest first: each quarter of an hour it might begin, extended or not, in each piece that holds it;
 * of those that are much alike the cheapest.
 */
export function modesOf(placing: Placing): readonly MakeMode[] {
  const { network, hours, fromMin, dueMin } = placing;
  const how = placing.thorough ? EVERY_WAY : USUAL_WAYS;
  const gear = gearSetsOf(placing, how.pieces);
  if (gear.sets.length === 0) return [];
  const longestMin = network.steps.reduce((sum, s) => sum + s.lasts.late + Math.min(s.slack.lateMin, 1440), 0);
  const first = Math.max(0, fromMin, oldestOf(placing) - longestMin);
  const likely = likelyModes(placing);
  const found: MakeMode[] = [];
  for (let hour = Math.floor(first / ALIKE_MIN) * ALIKE_MIN; hour < (dueMin ?? hours.horizonMin); hour += ALIKE_MIN) {
    const isFar = dueMin !== null && dueMin - hour > 60 * how.farH;
    const ways = isFar ? { ...how, kept: how.keptFar } : how;
    const alike = likely(Math.max(first, hour), hour + ALIKE_MIN, isFar ? ALIKE_MIN : SLOT_MIN);
    for (const mode of cheapest(placing, alike, ways)) found.push(...onAllGear(mode, gear, placing));
  }
  return found.sort((a, b) => a.cost - b.cost || a.startMin - b.startMin);
}

/** Ready before this minute it would be too old when it is handed on. */
const oldestOf = ({ dueMin, shares, network }: Placing): number => {
  const lastMin = shares ? lastDueOf(shares) : dueMin;
  return lastMin === null ? 0 : lastMin - LIFE_SPENT * 1440 * network.keepsDays;
};

/** Finds the ways to begin a make between two minutes, by how it likely goes; their times are written over by the next asking. */
function likelyModes(placing: Placing): (fromMin: number, untilMin: number, everyMin: number) => LikelyMode[] {
  const { steps } = placing.network;
  const { hours } = placing;
  const extensions = extensionsOf(placing.network);
  const latestMin = Math.min(placing.dueMin ?? hours.horizonMin, placing.readyByMin ?? Infinity);
  const oldestMin = oldestOf(placing);
  const places: Times[] = [];
  return (fromMin, untilMin, everyMin) => {
    const found: LikelyMode[] = [];
    let used = 0;
    const place = () => (places[used++] ??= new Float64Array(steps.length + 1));
    for (let start = Math.ceil(fromMin / SLOT_MIN) * SLOT_MIN; start < untilMin; start += everyMin) {
      const seen = new Set<number>();
      const plain = timesOf(steps, start, hours, null, null, place());
      // Where hands fall in the night before anything could be extended, extending is no use.
      if (!plain) continue;
      const strays = straysOf(placing, plain);
      const tried = nightBefore(placing, plain, extensions.at(-1)) > 0 ? [null] : extensions;
      for (const extension of tried) {
        const times = extension ? timesOf(steps, start, hours, extension, plain, place()) : plain;
        if (!times || times.at(-1)! < oldestMin || times.at(-1)! > latestMin) continue;
        // Extended or not, modes whose steps end alike are one.
        const ends = times.reduce((sum, at, i) => sum + (i + 1) * at, 0);
        if (seen.has(ends)) continue;
        seen.add(ends);
        found.push(likelyMode(placing, extension, times, strays));
      }
    }
    return found;
  };
}

/**
 * The cheapest of some modes that are much alike, and in time as surely as they have to be. What comes of a mode where it is ahead or
 * behind is worked out only as long as it might be among them: the whole of a mode costs no less than its likely part.
 */
function cheapest(placing: Placing, likely: LikelyMode[], how: Ways): readonly UnequippedMode[] {
  const at = new Float64Array(placing.network.steps.length + 1);
  const found: UnequippedMode[] = [];
  for (const mode of likely.sort((a, b) => a.cost - b.cost || a.times[0]! - b.times[0]!)) {
    if (kept(found, how).filter(({ cost }) => cost <= mode.cost).length >= how.kept) break;
    const whole = wholeMode(placing, mode, at);
    if (whole && whole.metChance >= placing.leastChance) found.push(whole);
  }
  return kept(found, how);
}

function kept(modes: readonly UnequippedMode[], how: Ways): readonly UnequippedMode[] {
  let count = 0;
  return [...modes]
    .sort((a, b) => a.cost - b.cost || a.startMin - b.startMin)
    .filter(({ nightMin }) => count < (nightMin > 0 ? how.keptByNight : how.kept) && ++count);
}

/** Nothing extended, or the step with the most slack. */
function extensionsOf({ steps }: Network): readonly (Extension | null)[] {
  const most = steps
    .slice(0, -1)
    .reduce((best, s, i) => (s.slack.lateMin > (steps[best]?.slack.lateMin ?? 0) ? i : best), 0);
  const { lateMin } = steps[most]!.slack;
  if (lateMin < WORTH_HOLDING_MIN) return [null];
  const extension = HOLDS_MIN.filter((forMin) => forMin <= lateMin).map((forMin) => ({
    step: most,
    forMin,
    afterWakingMin: 0,
  }));
  return [null, ...extension, ...AFTER_WAKING_MIN.map((afterWakingMin) => ({ step: most, forMin: 0, afterWakingMin }))];
}

/** A way to give each demand a gear resource: for each the place of its resource; and the pieces, by their place among all pieces. */
interface GearSet {
  readonly resources: readonly number[];
  readonly pieces: readonly number[];
}

/** Ways to give each demand a gear resource, the smallest that do first; none where one of them finds none. */
interface GearSets {
  readonly sets: readonly GearSet[];
  /** Every piece with what it is given in some of them. */
  readonly pieces: readonly GivenPiece[];
}

/** True where a demand that is shared out finds a piece besides those that others of it have. */
function hasOneMore(
  resource: number,
  given: readonly number[],
  { ofOne }: GearDemand,
  { network, gearResources }: Placing,
): boolean {
  if (ofOne === undefined) return true;
  const taken = given.filter((r, d) => r === resource && network.demands[d]!.ofOne === ofOne).length;
  return taken < gearResources[resource]!.gear.count;
}

function gearSetsOf(placing: Placing, most: number = USUAL_WAYS.pieces): GearSets {
  const { network, gearResources } = placing;
  const ways = network.demands.reduce<readonly (readonly number[])[]>(
    (sets, demand) =>
      sets.flatMap((set) =>
        gearResourcesFor(demand, gearResources)
          .filter((r) => hasOneMore(r, set, demand, placing))
          .slice(0, most)
          .map((r) => [...set, r]),
      ),
    [[]],
  );
  const shelf = shelfOf(placing);
  const pieces: GivenPiece[] = [];
  const places = new Map<string, number>();
  const sets = ways.map((resources): GearSet => {
    const distinct = new Set(shelf === null ? resources : [...resources, shelf]);
    return {
      resources,
      pieces: [...distinct].map((resource) => {
        const given = network.demands.map((_, d) => resources[d] === resource);
        const key = `${resource} ${String(given)}`;
        if (!places.has(key)) {
          places.set(key, pieces.length);
          pieces.push({ resource, demands: network.demands.filter((_, d) => given[d]) });
        }
        return places.get(key)!;
      }),
    };
  });
  return { sets, pieces };
}

function onAllGear(mode: UnequippedMode, { sets, pieces }: GearSets, placing: Placing): readonly MakeMode[] {
  const { network, hours } = placing;
  const likely = timesOf(network.steps, mode.startMin, hours, mode.extension)!;
  const late = strayedTimes(network.steps, likely, hours, 1, mode.extension)!;
  const standing = pieces.map((piece) => standingIn(piece, { likely, late }, placing));
  const labour = labourOf(likely, mode.starter, placing);
  const taken = placing.supplied ? suppliedUses(placing.supplied, mode.startMin, mode.starter) : [];
  const ofDays = placing.dayRow ? dayUses(placing.dayRow, network, likely, mode.starter, hours.hasTwo) : [];
  return sets.map(({ resources, pieces: of }, rank) => {
    const uses: Use[] = [];
    for (const piece of of) uses.push(...standing[piece]!);
    uses.push(...labour, ...taken, ...ofDays);
    const { startMin, extension, readyMin, readyLateMin, metChance, nightMin, offMin, ageH, starter } = mode;
    const cost = mode.cost + PIECE_COST * rank;
    const how = { startMin, extension, readyMin, readyLateMin, metChance, nightMin, offMin, ageH, starter };
    return { ...how, cost, gearResources: resources, uses };
  });
}
