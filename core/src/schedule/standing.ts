import { duration } from '../messages/quantity.js';
import { say } from '../messages/message.js';
import { emptyProfile } from './resource-profile.js';
import { leastBlocking, moved, type Break } from './move.js';
import { planFrom } from './plan-of.js';
import type { Plan, PlannedMake, PlanningProblem, WantedMake } from './planning-problem.js';
import { SLOT_MIN } from './instance.js';
import { extensionIn, type StageExtension } from './timeline.js';
import { placesNow } from './together.js';
import type { MakeMode } from './mode.js';
import { modesAt } from './modes.js';

/** A make of a plan that was taken: when it begins, which of its steps is extended, whether somebody has put it there. */
export interface KeptPlace {
  readonly orderId: string;
  readonly part: number;
  readonly startMin: number;
  readonly extension: StageExtension | null;
  readonly pinned: boolean;
  /** Other orders that it is made for as well. */
  readonly with?: readonly string[];
}

/** A make of a plan that no longer holds: why, and the nearest mode that does with all else where it is. */
export interface Trouble {
  readonly make: PlannedMake;
  readonly breaks: readonly Break[];
  readonly repair: MakeMode | null;
}

/** A plan that was taken, as it stands now. */
export interface Standing extends Pick<Plan, 'makes' | 'unmet' | 'nightHandsMin' | 'offHandsMin' | 'handsMin'> {
  readonly troubles: readonly Trouble[];
  /** Makes that are wanted, could be made, and have no place in it yet. */
  readonly unplaced: readonly { readonly orderId: string; readonly part: number }[];
}

/** The place that is kept of a make; undefined where it has none yet. */
export const placeOf = ({ order, part }: WantedMake, places: readonly KeptPlace[]): KeptPlace | undefined =>
  places.find((p) => p.orderId === order.id && p.part === part);

/**
 * Where each make that has a place stands, in order of time: each in the first of its pieces of gear that is free, what was to be
 * begun already at once.
 */
function standingModes(all: readonly WantedMake[], problem: PlanningProblem, places: readonly KeptPlace[]) {
  const profile = emptyProfile(problem.instance);
  const placed = all.flatMap((wanted) => {
    const place = placeOf(wanted, places);
    return place ? [{ wanted, place }] : [];
  });
  const modes = new Map<WantedMake, MakeMode>();
  for (const { wanted, place } of placed.sort((a, b) => a.place.startMin - b.place.startMin)) {
    const at = modesAt(wanted.placing, Math.max(0, place.startMin), extensionIn(wanted.network, place.extension));
    const mode = leastBlocking(at, profile, problem);
    if (!mode) continue;
    // What is in another's way takes its piece all the same: the next finds another.
    profile.put(mode);
    modes.set(wanted, mode);
  }
  return modes;
}

/** Later than it was to be begun by so much, minutes, it is said. */
const LATE_TO_BEGIN_MIN = SLOT_MIN;

/**
 * A plan that was taken, laid out anew where the kitchen now is: what of it holds, what does not and why, and for each make
 * that does not the nearest mode that would.
 */
export function standingOf(problem: PlanningProblem, kept: readonly KeptPlace[]): Standing {
  const places = placesNow(problem.orders, kept);
  const all = [...problem.wanted, ...problem.nowhere];
  const modes = standingModes(all, problem, places);
  const made = planFrom(
    { ...problem, wanted: all },
    all.map((wanted) => modes.get(wanted) ?? null),
  );
  const troubles = made.makes.flatMap((make): Trouble[] => {
    const { breaks, repair } = moved(problem, made.makes, make, make.mode.startMin, make.mode.extension);
    const place = places.find((p) => p.orderId === make.orderId && p.part === make.part)!;
    const found = [...lateToBegin(place.startMin), ...breaks];
    return found.length > 0 ? [{ make, breaks: found, repair }] : [];
  });
  const wanted = new Set(made.makes.map((m) => m.orderId));
  return {
    ...made,
    // What is in the plan and cannot be made any more says so itself.
    unmet: problem.impossible.filter((u) => !wanted.has(u.orderId)),
    // What breaks of itself is why others are in its way, and is said first.
    troubles: [...troubles.filter(breaksOfItsOwn), ...troubles.filter((t) => !breaksOfItsOwn(t))],
    unplaced: problem.wanted
      .filter((w) => !modes.has(w))
      .map(({ order: { id: orderId }, part }) => ({ orderId, part })),
  };
}

/** True where a make would not hold even if nothing else were on. */
const breaksOfItsOwn = ({ breaks }: Trouble): boolean => breaks.some(({ is }) => is !== 'gear' && is !== 'hands');

function lateToBegin(startMin: number): readonly Break[] {
  if (startMin >= -LATE_TO_BEGIN_MIN) return [];
  const says = say('schedule.standing.wasToBeBegun', { ago: duration(-startMin) });
  return [{ is: 'past', says, step: 0, atMin: startMin, against: [] }];
}
