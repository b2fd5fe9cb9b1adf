import type { Board } from './board.js';
import { gearWord, handsResource } from './gear.js';
import type { PlannedMake, Setting, WantedMake } from './setting.js';
import { boardWith } from './plan-of.js';
import { SLOT_MIN } from './puzzle.js';
import { holding } from './resources.js';
import { awakeMin, walk, type Held, type Walked } from './timeline.js';
import { LIFE_SPENT, type PlacedWay } from './way.js';
import { namesOf } from './unmet.js';
import { waysAt } from './ways.js';
import { sayDuration } from '../stages/words.js';

/** Something that does not hold of a make where it is, in a sentence; the step it is about, where it is about one. */
export interface Break {
  readonly is: 'night' | 'late' | 'old' | 'milk' | 'gear' | 'hands' | 'over' | 'past';
  readonly says: string;
  readonly step: number | null;
  /** The minute at which it breaks; null where it is about no moment. */
  readonly atMin: number | null;
  /** Other makes of the plan that it stands against. */
  readonly against: readonly PlannedMake[];
}

/** A make of a plan as it would be, begun at another minute. */
export interface Moved {
  readonly startMin: number;
  readonly held: Held | null;
  readonly steps: readonly Walked[];
  /** Empty where all holds. */
  readonly breaks: readonly Break[];
  /** The nearest way that holds with everything else left where it is; null where there is none, or none is needed. */
  readonly repair: PlacedWay | null;
  /** How it would stand in its gear; null where it finds no room, or is not over within the plan. */
  readonly way: PlacedWay | null;
}

/**
 * What becomes of a make of a plan that is begun at another minute while all others stay: its steps, what breaks and why, and
 * the nearest way that does. Fast enough to be asked at every touch of a drag.
 */
export function moved(
  setting: Setting,
  makes: readonly PlannedMake[],
  make: PlannedMake,
  startMin: number,
  held: Held | null = null,
): Moved {
  const wanted = wantedOf(setting, make);
  const others = makes.filter((m) => m !== make);
  const board = boardWith(
    setting,
    others.map((m) => m.way),
  );
  const ways = waysAt(wanted.placing, startMin, held);
  const way = leastInTheWay(ways, board, setting);
  const fitting = way && board.fits(way) ? way : null;
  const steps = walk(wanted.network, startMin, setting.hours, 'likely', held) ?? [];
  const breaks = way
    ? [...ofHours(setting, wanted, way, steps), ...(fitting ? [] : ofRoom(setting, way, board, others))]
    : [OVER];
  const repair = breaks.length > 0 ? nearest(setting, wanted, board, startMin) : null;
  return { startMin, held, steps, breaks, repair, way: fitting };
}

/** Of ways that differ only in their pieces of gear the first that finds room; else the first that lacks hands alone. */
export function leastInTheWay(
  ways: readonly PlacedWay[],
  board: Board,
  { racks }: Pick<Setting, 'racks'>,
): PlacedWay | null {
  const hands = handsResource(racks);
  const fits = ways.find((way) => board.fits(way));
  return fits ?? ways.find((way) => board.clash(way)!.use.resource === hands) ?? ways[0] ?? null;
}

const OVER: Break = {
  is: 'over',
  says: 'It would not be over within the plan.',
  step: null,
  atMin: null,
  against: [],
};

/** What does not hold of a make of a plan whatever else is on: hands in the night, ready too late, too old. */
export function breaksOfItself(setting: Setting, make: PlannedMake): readonly Break[] {
  return ofHours(setting, wantedOf(setting, make), make.way, make.steps);
}

function wantedOf({ wanted, nowhere }: Setting, make: PlannedMake): WantedMake {
  const found = [...wanted, ...nowhere].find((w) => w.order.id === make.orderId && w.part === make.part);
  if (!found) throw new RangeError(`There is no make ${make.part} of "${make.orderId}" in this plan`);
  return found;
}

/** The way that begins nearest to a minute and holds, the cheaper of two as near; where none holds, the nearest that finds room. */
function nearest(setting: Setting, wanted: WantedMake, board: Board, startMin: number): PlacedWay | null {
  const far = (way: PlacedWay) => Math.abs(way.startMin - startMin);
  const near = [...wanted.ways].sort((a, b) => far(a) - far(b) || a.cost - b.cost);
  const holds = (way: PlacedWay) => {
    const steps = walk(wanted.network, way.startMin, setting.hours, 'likely', way.held)!;
    return board.fits(way) && ofHours(setting, wanted, way, steps).length === 0;
  };
  return near.find(holds) ?? near.find((way) => board.fits(way)) ?? null;
}

/** So many are named; of more, how many there are besides. */
const NAMED = 2;

/** "a", "a and b", "a, b and 3 more" */
function listed(words: readonly string[]): string {
  const more = words.length - NAMED;
  if (more > 0) return `${words.slice(0, NAMED).join(', ')} and ${more} more`;
  return words.join(' and ');
}

/** What of a way does not hold whatever else is on. */
function ofHours(
  { hours }: Setting,
  { order, network }: WantedMake,
  way: PlacedWay,
  steps: readonly Walked[],
): readonly Break[] {
  const breaks: Break[] = [];
  const say = (is: Break['is'], says: string, step: number | null = null, atMin: number | null = null) =>
    breaks.push({ is, says, step, atMin, against: [] });
  const { dueMin, fromMin = 0 } = order;
  if (way.startMin < fromMin) say('milk', `Its milk is there only ${sayDuration(fromMin - way.startMin)} later.`, 0);
  if (dueMin !== null && way.readyMin > dueMin)
    say('late', `It is ready ${sayDuration(Math.ceil(way.readyMin - dueMin))} after it is wanted.`);
  else if (dueMin !== null && way.readyLateMin > dueMin)
    say('late', `One time in ten it is ready ${sayDuration(Math.ceil(way.readyLateMin - dueMin))} too late.`);
  const lifeH = 24 * network.keepsDays;
  if (dueMin !== null && way.ageH > LIFE_SPENT * lifeH)
    say('old', `It would be ${sayDuration(60 * way.ageH)} old when it is wanted, and keeps ${network.keepsDays} days.`);
  const inNight = network.steps.flatMap((step, i) => {
    const { beginMin } = steps[i]!;
    return hours.nightMin(beginMin, beginMin + awakeMin(step)) > 0 ? [{ name: `"${step.name}"`, i, beginMin }] : [];
  });
  const [first] = inNight;
  if (first) {
    const names = listed(inNight.map((n) => n.name));
    say('night', `Hands for ${names} fall in the night, or while nobody is at home.`, first.i, first.beginMin);
  }
  return breaks;
}

/** What it finds no room in: the gear or the hands, and what has them. */
function ofRoom(
  { racks, holders }: Setting,
  way: PlacedWay,
  board: Board,
  others: readonly PlannedMake[],
): readonly Break[] {
  const clash = board.clash(way);
  if (!clash) return [];
  const { use, slot } = clash;
  const against = others.filter((m) => holding([m.way], use.resource, slot).length > 0);
  const names = namesOf([...against, ...holding(holders, use.resource, slot)]);
  const [is, what] =
    use.resource === handsResource(racks)
      ? (['hands', 'Hands'] as const)
      : (['gear', `The ${racks[use.resource]!.gear.name ?? gearWord(racks[use.resource]!.gear.kind)}`] as const);
  const atMin = slot * SLOT_MIN;
  const when = `${sayDuration(Math.abs(atMin - way.startMin))} ${atMin < way.startMin ? 'before' : 'after'} it begins`;
  return [
    {
      is,
      says: `${what} ${is === 'hands' ? 'are' : 'is'} taken by ${names}, ${when}.`,
      step: null,
      atMin,
      against,
    },
  ];
}
