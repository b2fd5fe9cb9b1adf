import { say, type Text } from '../messages/message.js';
import type { MakesAndTasks } from './plan-of.js';
import { asksBehind, FED_WORTH, fedTooEarly } from './feeds-on.js';
import { sharesOf } from './orders.js';
import { layOut, plans } from './plan.js';
import { nothingWorkedOut, type WorkedOut } from './worked-out.js';
import type { Plan, PlanAsked, PlannedMake, PlanningProblem } from './planning-problem.js';
import { USUAL_WEIGHTS, type ObjectiveWeights } from './mode.js';

/** An objective preset that a whole plan may have. */
export interface ObjectivePreset {
  readonly id: 'even' | 'fresh' | 'early';
  readonly name: Text;
  readonly why: Text;
  readonly weights: ObjectiveWeights;
}

/** The objective presets that plans are made by, the usual one first. */
export const OBJECTIVE_PRESETS: readonly ObjectivePreset[] = [
  {
    id: 'even',
    name: say('schedule.alternatives.even'),
    why: say('schedule.alternatives.handsComeWhenSomebody'),
    weights: USUAL_WEIGHTS,
  },
  {
    id: 'fresh',
    name: say('schedule.alternatives.fresh'),
    why: say('schedule.alternatives.eachReadyShortlyBefore'),
    weights: { ...USUAL_WEIGHTS, offMin: 0.2, ageH: 3 },
  },
  {
    id: 'early',
    name: say('schedule.alternatives.early'),
    why: say('schedule.alternatives.eachReadyDayBefore'),
    weights: { ...USUAL_WEIGHTS, offMin: 2, spareH: 24, souringSlack: 40, otherSlack: 0.2 },
  },
];

/** What a plan is like, in figures. */
export interface Likeness {
  readonly nightMin: number;
  readonly offMin: number;
  readonly handsMin: number;
  /** Age at which what is wanted by a time is handed on, h: the mean, and the oldest. */
  readonly meanAgeH: number;
  readonly oldestH: number;
  readonly firstMin: number | null;
  readonly feedings: number;
}

/** A whole plan of an objective preset. */
export interface Alternative {
  readonly preset: ObjectivePreset;
  readonly problem: PlanningProblem;
  readonly plan: Plan;
  readonly likeness: Likeness;
}

/** How old what a make is for is when it is handed on, h, each that is wanted by a time. */
const agesH = ({ shares, mode: { readyMin } }: PlannedMake): readonly number[] =>
  shares.flatMap(({ dueMin }) => (dueMin === null ? [] : (dueMin - readyMin) / 60));

/** What a plan is like. */
export function likenessOf({ makes, nightHandsMin, offHandsMin, handsMin }: MakesAndTasks): Likeness {
  const ages = makes.flatMap((make) => agesH(make));
  const firsts = makes.map((m) => m.feed?.beginMin ?? m.mode.startMin);
  return {
    nightMin: nightHandsMin,
    offMin: offHandsMin,
    handsMin,
    meanAgeH: ages.length > 0 ? ages.reduce((a, b) => a + b, 0) / ages.length : 0,
    oldestH: Math.max(0, ...ages),
    firstMin: firsts.length > 0 ? Math.min(...firsts) : null,
    feedings: makes.filter((m) => m.feed).length,
  };
}

/**
 * Whole plans of each objective preset, one after the other, each after every round of its search. Two that are the same in all but
 * minutes are told by {@link differs}.
 *
 * @param rounds when the next objective preset has its turn
 */
export function* alternatives(asked: PlanAsked, rounds: Rounds): Generator<Alternative, void, void> {
  const workedOut = nothingWorkedOut();
  for (const preset of OBJECTIVE_PRESETS) {
    let best = null as Alternative | null;
    const lots = asked.lots ?? [];
    const costOf = ({ cost, makes }: Plan) => cost + FED_WORTH * fedTooEarly(makes, lots).length;
    const searched = function* (problem: PlanningProblem): Generator<Alternative, void, void> {
      const before = best && { best, cost: costOf(best.plan) };
      for (const plan of plans(problem)) {
        const now = { preset, problem, plan, likeness: likenessOf(plan) };
        best = before && before.cost <= costOf(plan) ? before.best : now;
        yield best;
        if (isEnough(plan, problem, rounds)) break;
      }
    };
    for (const problem of problems({ ...asked, weights: preset.weights }, workedOut)) {
      yield* searched(problem);
      if (best?.plan.unmet.length === 0) break;
    }
    // As it was found, but with makes behind what feeds them.
    const behind = best ? asksBehind(best.problem.asked, best.plan.makes) : [];
    for (const one of behind) yield* searched(layOut(one, workedOut));
  }
}

/**
 * What a plan is searched in: orders made as one where that is better; where that leaves one out, each on its own, and last as many as
 * one as keep.
 */
function* problems(asked: PlanAsked, workedOut: WorkedOut): Generator<PlanningProblem, void, void> {
  const { together } = asked;
  const ways = together?.others === 'where it is better' ? OTHERS : [together?.others ?? 'never'];
  const seen = new Set<string>();
  for (const others of ways) {
    const problem = layOut({ ...asked, together: { groups: together?.groups ?? [], others } }, workedOut);
    const makes = JSON.stringify(problem.orders.map((order) => sharesOf(order).map((share) => share.orderId)));
    if (!seen.has(makes)) yield problem;
    seen.add(makes);
  }
}

const OTHERS = ['where it is better', 'never', 'as far as they keep'] as const;

/** How long a search goes on, in rounds: as a rule, and where an order is left out that might still be met. */
export interface Rounds {
  readonly usual: number;
  readonly most: number;
}

/** True where a search has gone on long enough. */
export function isEnough({ round, proven, unmet }: Plan, { impossible }: PlanningProblem, rounds: Rounds): boolean {
  const mightMeetMore = !proven && unmet.length > impossible.length;
  return round >= (mightMeetMore ? rounds.most : rounds.usual);
}

/** Plans whose makes all begin within so many minutes of each other are one. */
const SAME_MIN = 45;

/** True where two plans are not the same in all but minutes. */
export function differs(a: Plan, b: Plan): boolean {
  if (a.makes.length !== b.makes.length) return true;
  const begins = (plan: Plan) => plan.makes.map((m) => [`${m.orderId} ${m.part}`, m.mode.startMin] as const);
  const other = new Map(begins(b));
  return begins(a).some(([id, at]) => Math.abs((other.get(id) ?? Infinity) - at) > SAME_MIN);
}
