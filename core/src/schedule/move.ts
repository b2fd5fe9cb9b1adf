import { duration, mass } from '../messages/quantity.js';
import { say, type Text, listOf, type Value } from '../messages/message.js';
import type { ResourceProfile } from './resource-profile.js';
import { type PlanGear, gearWord, labourResource } from './gear-resources.js';
import type { PlannedMake, PlanningProblem, WantedMake } from './planning-problem.js';
import { lastDueOf, sharesOf } from './orders.js';
import { profileWith } from './plan-of.js';
import { SLOT_MIN } from './instance.js';
import { holding } from './resources.js';
import { gramsOf } from './supplies.js';
import { awakeMin, walk, type Extension, type Walked } from './timeline.js';
import { LIFE_SPENT, type MakeMode } from './mode.js';
import { namesOf } from './unmet.js';
import { modesAt } from './modes.js';

/** Something that does not hold of a make where it is, in a sentence; the step it is about, where it is about one. */
export interface Break {
  readonly is: 'night' | 'late' | 'old' | 'milk' | 'short' | 'gear' | 'hands' | 'over' | 'past';
  readonly says: Text;
  readonly step: number | null;
  /** The minute at which it breaks; null where it is about no moment. */
  readonly atMin: number | null;
  /** Other makes of the plan that it stands against. */
  readonly against: readonly PlannedMake[];
}

/** A make of a plan as it would be, begun at another minute. */
export interface Moved {
  readonly startMin: number;
  readonly extension: Extension | null;
  readonly steps: readonly Walked[];
  /** Empty where all holds. */
  readonly breaks: readonly Break[];
  /** The nearest mode that holds with everything else left where it is; null where there is none, or none is needed. */
  readonly repair: MakeMode | null;
  /** How it would stand in its gear; null where it finds no room, or is not over within the plan. */
  readonly mode: MakeMode | null;
}

/**
 * What becomes of a make of a plan that is begun at another minute while all others stay: its steps, what breaks and why, and
 * the nearest mode that does. Fast enough to be asked at every touch of a drag.
 */
export function moved(
  problem: PlanningProblem,
  makes: readonly PlannedMake[],
  make: PlannedMake,
  startMin: number,
  extension: Extension | null = null,
): Moved {
  const wanted = wantedOf(problem, make);
  const others = makes.filter((m) => m !== make);
  const profile = profileWith(
    problem,
    others.map((m) => m.mode),
  );
  const modes = modesAt(wanted.placing, startMin, extension);
  const mode = leastBlocking(modes, profile, problem);
  const fitting = mode && profile.fits(mode) ? mode : null;
  const steps = walk(wanted.network, startMin, problem.hours, extension) ?? [];
  const breaks = mode
    ? [...ofHours(problem, wanted, mode, steps), ...(fitting ? [] : ofRoom(problem, mode, profile, others))]
    : [OVER];
  const repair = breaks.length > 0 ? nearest(problem, wanted, profile, startMin) : null;
  return { startMin, extension, steps, breaks, repair, mode: fitting };
}

/** Of modes that differ only in their pieces of gear the first that finds room; else the first that lacks hands alone. */
export function leastBlocking(
  modes: readonly MakeMode[],
  profile: ResourceProfile,
  { gearResources }: Pick<PlanningProblem, 'gearResources'>,
): MakeMode | null {
  const tasks = labourResource(gearResources);
  const fits = modes.find((mode) => profile.fits(mode));
  return fits ?? modes.find((mode) => profile.clash(mode)!.use.resource === tasks) ?? modes[0] ?? null;
}

const OVER: Break = {
  is: 'over',
  says: say('schedule.move.wouldNotOverWithin'),
  step: null,
  atMin: null,
  against: [],
};

/** What does not hold of a make of a plan whatever else is on: hands in the night, ready too late, too old. */
export function breaksOfItself(problem: PlanningProblem, make: PlannedMake): readonly Break[] {
  return ofHours(problem, wantedOf(problem, make), make.mode, make.steps);
}

function wantedOf({ wanted, nowhere }: PlanningProblem, make: PlannedMake): WantedMake {
  const found = [...wanted, ...nowhere].find((w) => w.order.id === make.orderId && w.part === make.part);
  if (!found) throw new RangeError(`There is no make ${make.part} of "${make.orderId}" in this plan`);
  return found;
}

/** The mode that begins nearest to a minute and holds, the cheaper of two as near; where none holds, the nearest that finds room. */
function nearest(
  problem: PlanningProblem,
  wanted: WantedMake,
  profile: ResourceProfile,
  startMin: number,
): MakeMode | null {
  const far = (mode: MakeMode) => Math.abs(mode.startMin - startMin);
  const near = [...wanted.modes].sort((a, b) => far(a) - far(b) || a.cost - b.cost);
  const holds = (mode: MakeMode) => {
    const steps = walk(wanted.network, mode.startMin, problem.hours, mode.extension)!;
    return profile.fits(mode) && ofHours(problem, wanted, mode, steps).length === 0;
  };
  return near.find(holds) ?? near.find((mode) => profile.fits(mode)) ?? null;
}

/** So many are named; of more, how many there are besides. */
const NAMED = 2;

/** "a", "a and b", "a, b and 3 more" */
function listed(words: readonly Value[]): Value {
  const more = words.length - NAMED;
  if (more > 0) return listOf([...words.slice(0, NAMED), say('schedule.move.more', { more })]);
  return listOf(words);
}

/** What of a mode does not hold whatever else is on. */
function ofHours(
  { hours }: PlanningProblem,
  { order, network, placing }: WantedMake,
  mode: MakeMode,
  steps: readonly Walked[],
): readonly Break[] {
  const breaks: Break[] = [];
  const broken = (is: Break['is'], says: Text, step: number | null = null, atMin: number | null = null) =>
    breaks.push({ is, says, step, atMin, against: [] });
  const { dueMin, fromMin = 0 } = order;
  if (mode.startMin < fromMin)
    broken('milk', say('schedule.move.milkLater', { later: duration(fromMin - mode.startMin) }), 0);
  if (dueMin !== null && mode.readyMin > dueMin)
    broken('late', say('schedule.move.readyTooLate', { late: duration(Math.ceil(mode.readyMin - dueMin)) }));
  else if (dueMin !== null && mode.metChance < placing.leastChance)
    broken('late', say('schedule.move.oneTimeInTenLate', { late: duration(Math.ceil(mode.readyLateMin - dueMin)) }));
  const lifeH = 24 * network.keepsDays;
  const lastMin = lastDueOf(sharesOf(order));
  const oldestH = lastMin === null ? 0 : (lastMin - mode.readyMin) / 60;
  if (oldestH > LIFE_SPENT * lifeH)
    broken('old', say('schedule.move.tooOld', { age: duration(60 * oldestH), days: network.keepsDays }));
  const inNight = network.steps.flatMap((step, i) => {
    const { beginMin } = steps[i]!;
    return hours.ofStep(step).nightMin(beginMin, beginMin + awakeMin(step)) > 0
      ? [{ name: step.name, i, beginMin }]
      : [];
  });
  const [first] = inNight;
  if (first) {
    const names = listed(inNight.map((n) => say('schedule.move.quoted', { name: n.name })));
    broken('night', say('schedule.move.handsInNight', { names }), first.i, first.beginMin);
  }
  return breaks;
}

/** What a piece of gear is called: by its own name, where it has one. */
const gearName = ({ name, kind }: PlanGear): Text => name ?? gearWord(kind);

/** What it finds no room in: the gear or the hands, and what has them. */
function ofRoom(
  { gearResources, supplyRows, dayRow, holders }: PlanningProblem,
  mode: MakeMode,
  profile: ResourceProfile,
  others: readonly PlannedMake[],
): readonly Break[] {
  const clash = profile.clash(mode);
  if (!clash) return [];
  const { use, slot } = clash;
  const against = others.filter((m) => holding([m.mode], use.resource, slot).length > 0);
  const names = namesOf([...against, ...holding(holders, use.resource, slot)]);
  const row = supplyRows.find(({ resource }) => resource === use.resource);
  if (row) {
    const units = Math.max(...profile.lacks(mode).flatMap((l) => (l.use.resource === use.resource ? l.units : [])));
    const says = say('schedule.move.tooLittle', {
      kind: row.kind,
      mass: mass(gramsOf(units)),
      names,
      others: against.length,
    });
    return [{ is: 'short', says, step: 0, atMin: mode.startMin, against }];
  }
  if (use.resource === dayRow?.resource)
    return [{ is: 'hands', says: say('schedule.move.dayIsFull', { names }), step: null, atMin: null, against }];
  const isHands = use.resource === labourResource(gearResources);
  const atMin = slot * SLOT_MIN;
  const when = {
    names,
    by: duration(Math.abs(atMin - mode.startMin)),
    when: atMin < mode.startMin ? 'before' : 'after',
  };
  return [
    {
      is: isHands ? 'hands' : 'gear',
      says: isHands
        ? say('schedule.move.handsTaken', when)
        : say('schedule.move.gearTaken', { ...when, gear: gearName(gearResources[use.resource]!.gear) }),
      step: null,
      atMin,
      against,
    },
  ];
}
