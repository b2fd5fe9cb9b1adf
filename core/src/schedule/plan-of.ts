import { ACTIVITY_LOSS } from '../constants/cultures.js';
import { emptyProfile, type ResourceProfile } from './resource-profile.js';
import type { Plan, PlannedMake, PlanningProblem } from './planning-problem.js';
import { handsAsWalked, whoDoesWhat } from './hands.js';
import { UNMET } from './instance.js';
import type { Searched } from './search.js';
import { sharedFeeds } from './starters.js';
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
export function planFrom({ asked, wanted, hours, gearResources }: PlanningProblem, chosen: Chosen): MakesAndTasks {
  const fed = withSharedFeeds(
    wanted.flatMap(({ order, part, parts, network, instead }, j): PlannedMake[] => {
      const mode = chosen[j];
      if (!mode) return [];
      const steps = walk(network, mode.startMin, hours, mode.extension)!;
      const gear = mode.gearResources.map((r) => gearResources[r]!.gear);
      const { starter } = mode;
      const feed = starter.is === 'feed' ? starter.feed : null;
      const buysStarter = starter.is === 'buy';
      const starterTimes = starter.is === 'more' ? starter.times : 1;
      const name = order.name ?? network.name;
      const what = { orderId: order.id, shares: sharesOf(order), name, part, parts, network, instead };
      const hands = handsAsWalked({ steps, feed });
      return [{ ...what, mode, steps, hands, gear, feed, buysStarter, starterTimes }];
    }),
  );
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
    nightHandsMin: sum((make, i) => hours.nightMin(...bounds(make, i))),
    offHandsMin: sum((make, i) => hours.offMin(...bounds(make, i))),
    handsMin: sum(({ network }, i) => network.steps[i]!.handsMin),
  };
}

/** Feedings put together, and left away where an earlier make holds enough back. */
function withSharedFeeds(makes: readonly PlannedMake[]): readonly PlannedMake[] {
  const sown = makes.filter((m) => m.network.sown !== null);
  const takers = sown.map(({ network: { sown: of, gives }, steps, feed }) => ({
    culture: of!.culture,
    takesG: of!.massG,
    atMin: steps[of!.step]!.beginMin,
    feed,
    givesG: gives?.massG ?? 0,
    givesAtMin: gives ? steps[gives.step]!.beginMin : 0,
  }));
  const feeds = new Map(sharedFeeds(takers, ACTIVITY_LOSS.active.cold.perDay).map((feed, i) => [sown[i]!, feed]));
  return makes.map((make) => ({ ...make, feed: feeds.get(make) ?? null }));
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
  const { wanted, gearResources, holders } = problem;
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
  return out.map((w) => whyLeftOut(w, profile, [...taken, ...holders], gearResources));
}
