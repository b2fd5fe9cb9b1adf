import { emptyProfile, type ResourceProfile } from './resource-profile.js';
import type { Plan, PlannedMake, PlanningProblem } from './planning-problem.js';
import { handsAsWalked, whoDoesWhat } from './hands.js';
import { UNMET } from './instance.js';
import type { Searched } from './search.js';
import { starterBook, takerOf } from './starter-book.js';
import { awakeMin, walk } from './timeline.js';
import { UNMET_COST, whyLeftOut } from './unmet.js';
import { sharesOf, type Unmet } from './orders.js';
import type { MakeMode } from './mode.js';

/** A mode for each make that is wanted; null where it is left out. */
export type Chosen = readonly (MakeMode | null)[];

/** What a search has found, as a plan. */
export function planOf(problem: PlanningProblem, { picks, cost, bound, proven, round }: Searched): Plan {
  const chosen = inOrder(
    problem,
    problem.wanted.map(({ modes }, j) => (picks[j] === UNMET ? null : modes[picks[j]!]!)),
  );
  const impossible = problem.impossible.length * UNMET_COST.due;
  return {
    ...planFrom(problem, chosen),
    unmet: [...problem.impossible, ...leftOut(problem, chosen)],
    cost: cost + impossible,
    bound: bound + impossible,
    proven,
    round,
  };
}

/** Of makes that are one as good as another the first is the one that is begun first. */
function inOrder({ instance: { jobs } }: PlanningProblem, chosen: Chosen): Chosen {
  const startOf = (mode: MakeMode | null) => mode?.startMin ?? Infinity;
  const sorted = new Map<number | undefined, (MakeMode | null)[]>();
  chosen.forEach((mode, j) => {
    const { alike } = jobs[j]!;
    sorted.set(alike, [...(sorted.get(alike) ?? []), mode]);
  });
  for (const modes of sorted.values()) modes.sort((a, b) => (startOf(a) < startOf(b) ? -1 : 1));
  return chosen.map((mode, j) => (jobs[j]!.alike === undefined ? mode : sorted.get(jobs[j]!.alike)!.shift()!));
}

/** The makes of a plan, and what of hands they ask for. */
export type MakesAndTasks = Pick<Plan, 'makes' | 'nightHandsMin' | 'offHandsMin' | 'handsMin'>;

/** The makes that come of placing each as it was chosen. */
export function planFrom(problem: PlanningProblem, chosen: Chosen): MakesAndTasks {
  const { asked, wanted, hours, gearResources } = problem;
  const placed = wanted.flatMap(({ order, part, parts, network, instead }, j): PlannedMake[] => {
    const mode = chosen[j];
    if (!mode) return [];
    const steps = walk(network, mode.startMin, hours, mode.extension)!;
    const gear = mode.gearResources.map((r) => gearResources[r]!.gear);
    const name = order.name ?? network.name;
    const what = { orderId: order.id, shares: sharesOf(order), name, part, parts, network, instead };
    const hands = handsAsWalked({ steps, feed: null });
    return [{ ...what, mode, steps, hands, gear, feed: null, buysStarter: false, starterTimes: 1 }];
  });
  const fed = withStarters(placed, problem);
  const hands = whoDoesWhat(asked.people, fed, asked.committed);
  const makes = fed.map((make, m): PlannedMake => ({ ...make, hands: hands[m]! }));
  const sum = (of: (make: PlannedMake, step: number) => number) =>
    makes.reduce((all, make) => all + make.steps.reduce((own, _, i) => own + of(make, i), 0), 0);
  const bounds = (make: PlannedMake, i: number) => {
    const { beginMin } = make.steps[i]!;
    return [beginMin, beginMin + awakeMin(make.network.steps[i]!)] as const;
  };
  return {
    makes,
    nightHandsMin: sum((make, i) => hours.ofStep(make.network.steps[i]!).nightMin(...bounds(make, i))),
    offHandsMin: sum((make, i) => hours.ofStep(make.network.steps[i]!).offMin(...bounds(make, i))),
    handsMin: sum(({ network }, i) => network.steps[i]!.handsMin),
  };
}

/** Where each has its starter from, as all of them take of what there is: who was to take it as it is may have to feed it first. */
function withStarters(makes: readonly PlannedMake[], { asked, hours }: PlanningProblem): readonly PlannedMake[] {
  const takers = makes.map(({ network, steps }) =>
    takerOf(
      network,
      steps.map((s) => s.beginMin),
    ),
  );
  const taken = starterBook(takers, asked.starters ?? null, hours);
  return makes.map((make, m): PlannedMake => {
    const { feed, times, buys } = taken[m]!;
    return { ...make, feed, starterTimes: times, buysStarter: buys };
  });
}

/** What the resource profile is with some modes on it. */
export function profileWith(
  { instance }: Pick<PlanningProblem, 'instance'>,
  modes: readonly MakeMode[],
): ResourceProfile {
  const profile = emptyProfile(instance);
  modes.forEach(profile.put);
  return profile;
}

/** Orders that were left out, each with what stands in its way. */
function leftOut(problem: PlanningProblem, chosen: Chosen): readonly Unmet[] {
  const { wanted, holders } = problem;
  const out = wanted.filter((_, j) => !chosen[j]);
  if (out.length === 0) return [];
  const taken = wanted.flatMap(({ order, network }, j) => {
    const mode = chosen[j];
    return mode ? [{ name: order.name ?? network.name, uses: mode.uses }] : [];
  });
  const profile = profileWith(
    problem,
    chosen.flatMap((mode) => mode ?? []),
  );
  return out.map((w) => whyLeftOut(w, profile, [...taken, ...holders], problem));
}
