import type { GearDemand } from '../make/gear-demands.js';
import { gearResourcesFor, type GearResource } from './gear-resources.js';
import type { Network } from './network.js';
import { mergedUses, SLOT_MIN, type Use } from './instance.js';
import { timesOf, type Extension } from './timeline.js';
import { labourOf, standing } from './uses.js';
import {
  LIFE_SPENT,
  nightBefore,
  plainTimes,
  unequippedMode,
  type MakeMode,
  type Placing,
  type UnequippedMode,
} from './mode.js';

/** The modes that begin at one minute, whatever comes of it: one for each piece of gear that holds it; none beyond the horizon. */
export function modesAt(placing: Placing, startMin: number, extension: Extension | null = null): readonly MakeMode[] {
  const { network, hours, gearResources } = placing;
  const likely = timesOf(network.steps, startMin, hours, extension);
  const mode = likely && unequippedMode(placing, startMin, extension, likely, plainTimes(placing, startMin));
  return mode ? onAllGear(mode, gearSets(network.demands, gearResources), placing) : [];
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
}

/** Enough that next to nothing is lost: on sixty tight weeks half of one in a hundred at the most. */
const USUAL_WAYS: Ways = { kept: 6, keptByNight: 3, pieces: 2 };
const EVERY_WAY: Ways = { kept: Infinity, keptByNight: Infinity, pieces: Infinity };
const PIECE_COST = 0.02;

/** Every mode of doing a make, the cheapest first: each quarter of an hour it might begin, extended or not, in each piece that holds it. */
export function modesOf(placing: Placing): readonly MakeMode[] {
  const { network, hours, fromMin, dueMin, gearResources } = placing;
  const how = placing.thorough ? EVERY_WAY : USUAL_WAYS;
  const sets = gearSets(network.demands, gearResources, how.pieces);
  if (sets.length === 0) return [];
  const untilMin = dueMin ?? hours.horizonMin;
  const oldestMin = dueMin === null ? 0 : dueMin - LIFE_SPENT * 1440 * network.keepsDays;
  const longestMin = network.steps.reduce((sum, s) => sum + s.lasts.late + Math.min(s.slack.lateMin, 1440), 0);
  const first = Math.max(0, fromMin, oldestMin - longestMin);
  const extensions = extensionsOf(network);
  const found: UnequippedMode[] = [];
  for (let start = Math.ceil(first / SLOT_MIN) * SLOT_MIN; start < untilMin; start += SLOT_MIN) {
    const seen = new Set<number>();
    const plain = plainTimes(placing, start);
    // Where hands fall in the night before anything could be extended, extending is no use.
    const tried = plain.likely && nightBefore(placing, plain.likely, extensions.at(-1)) > 0 ? [null] : extensions;
    for (const extension of tried) {
      const likely = extension ? timesOf(network.steps, start, hours, extension, plain.likely) : plain.likely;
      if (!likely || likely.at(-1)! < oldestMin || likely.at(-1)! > untilMin) continue;
      // extended or not, modes whose steps end alike are one.
      const ends = likely.reduce((sum, at, i) => sum + (i + 1) * at, 0);
      if (seen.has(ends)) continue;
      seen.add(ends);
      const mode = unequippedMode(placing, start, extension, likely, plain);
      if (mode && mode.metChance >= placing.leastChance) found.push(mode);
    }
  }
  return bestOfEach(found, how)
    .flatMap((mode) => onAllGear(mode, sets, placing))
    .sort((a, b) => a.cost - b.cost || a.startMin - b.startMin);
}

/** Modes that begin within so long of each other, minutes, are much alike. */
const ALIKE_MIN = 60;

/** The cheapest modes of each hour at which it might begin. */
function bestOfEach(modes: readonly UnequippedMode[], how: Ways): readonly UnequippedMode[] {
  const kept = new Map<number, number>();
  return [...modes]
    .sort((a, b) => a.cost - b.cost || a.startMin - b.startMin)
    .filter(({ startMin, nightMin }) => {
      const hour = Math.floor(startMin / ALIKE_MIN);
      const before = kept.get(hour) ?? 0;
      if (before >= (nightMin > 0 ? how.keptByNight : how.kept)) return false;
      kept.set(hour, before + 1);
      return true;
    });
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

/** Ways to give each demand a gear resource, the smallest that do first; none where one of them finds none. */
function gearSets(
  demands: readonly GearDemand[],
  gearResources: readonly GearResource[],
  pieces: number = USUAL_WAYS.pieces,
): readonly (readonly number[])[] {
  return demands.reduce<readonly (readonly number[])[]>(
    (sets, demand) =>
      sets.flatMap((set) =>
        gearResourcesFor(demand, gearResources)
          .slice(0, pieces)
          .map((r) => [...set, r]),
      ),
    [[]],
  );
}

function onAllGear(mode: UnequippedMode, sets: readonly (readonly number[])[], placing: Placing): readonly MakeMode[] {
  const labour = labourOf(mode, placing);
  return sets.map((set, rank) => onGear(mode, labour, set, rank, placing));
}

function onGear(
  { likely, late, ...mode }: UnequippedMode,
  labour: readonly Use[],
  set: readonly number[],
  rank: number,
  placing: Placing,
): MakeMode {
  // A make that goes back into the same piece has it once, however late it came out of it.
  const uses = [...mergedUses(standing({ likely, late }, set, placing), 'most'), ...labour];
  return { ...mode, gearResources: set, cost: mode.cost + PIECE_COST * rank, uses };
}
