import {
  alternatives,
  type Alternative,
  changesOf,
  differs,
  handsAsWalked,
  isEnough,
  OBJECTIVE_PRESETS,
  stageExtension,
  layOut,
  mending,
  nothingWorkedOut,
  moved,
  plans,
  simulate,
  standingOf,
  supposed,
  type Extension,
  type KeptPlace,
  type ObjectivePreset,
  type MakeMode,
  type Plan,
  type PlanAsked,
  type PlannedMake,
  type PlanningProblem,
  type Rounds,
  type Standing,
} from '@oat-crock/core';
import { askedOf, breaksOf, changesShown, shownOf, shownBatches } from './planning-problem';
import type { MendSearch, PlanFound, PlannerApi, PlanWanted, BatchPlace, WholeSearch } from './planner-api';

const MIN_MS = 60_000;
/** Rounds of search for each whole plan, for one that is searched on among all ways, and for one that mends. */
const ROUNDS = {
  whole: { usual: 60, most: 400 },
  on: { usual: 300, most: 900 },
  mend: { usual: 80, most: 300 },
} as const satisfies Readonly<Record<string, Rounds>>;

/** Makes that were worked out: each new plan takes of them. */
const workedOut = nothingWorkedOut();
const MOST_KNOWN = 300;

/** The plan that stands, and what it was laid out in. */
let laid: {
  readonly wanted: PlanWanted;
  readonly places: readonly KeptPlace[];
  readonly problem: PlanningProblem;
  readonly standing: Standing;
  readonly plannedBatches: ReadonlyMap<string, PlannedMake>;
} | null = null;
/** Which search is on: one that finds another in its place, or none, is over. */
let turn = 0;

const laidOut = (asked: PlanAsked): PlanningProblem => {
  if (workedOut.makes.size > MOST_KNOWN) workedOut.makes.clear();
  if (workedOut.durations.size > MOST_KNOWN) workedOut.durations.clear();
  return layOut(asked, workedOut);
};

/** Other messages, a stop among them, come between rounds. */
const breathe = () => new Promise((done) => setTimeout(done));

const gapOf = ({ cost, bound, proven }: Plan) => (proven || cost <= 0 ? 0 : Math.max(0, (cost - bound) / cost));

/** What has not become better is told again only after so long, ms: a round may be over in one. */
const TELL_AGAIN_MS = 250;

/**
 * Goes through what a search finds, and tells of it: at once where it is better, else now and then, and of the last of it, of which it
 * is also known with what chance it holds.
 */
async function telling<T extends { readonly plan: Plan; readonly of: PlanFound['of'] }>(
  found: Iterable<T>,
  show: (found: T, isLast: boolean) => PlanFound,
  { tell, isOn }: Listener,
): Promise<void> {
  let told: { readonly of: PlanFound['of'] | null; readonly cost: number; readonly atMs: number } = {
    of: null,
    cost: Infinity,
    atMs: 0,
  };
  let last: T | null = null;
  for (const now of found) {
    const better = now.of !== told.of || now.plan.cost < told.cost;
    if (last && now.of !== last.of) tell(show(last, true));
    last = now;
    if (better || performance.now() - told.atMs > TELL_AGAIN_MS) {
      tell(show(now, false));
      told = { of: now.of, cost: now.plan.cost, atMs: performance.now() };
    }
    await breathe();
    if (!isOn()) break;
  }
  if (last) tell(show(last, true));
}

/** Who is told of what is found, and for how long. */
interface Listener {
  readonly tell: (found: PlanFound) => void;
  readonly isOn: () => boolean;
}

/** How good a plan is, and how far its search has come. */
const measured = (plan: Plan, { usual }: Rounds, [nth, of]: readonly [number, number] = [0, 1]) => ({
  ...{ round: plan.round, proven: plan.proven, gap: gapOf(plan), cost: plan.cost },
  progress: (nth + (plan.proven ? 1 : Math.min(1, plan.round / usual))) / of,
});

/** A plan of an objective preset, and which other preset came to the same. */
type OfPreset = Alternative & { readonly of: ObjectivePreset['id']; readonly sameAs: ObjectivePreset['id'] | null };

function searchWhole({ wanted, places, on }: WholeSearch, listener: Listener): Promise<void> {
  const rounds = on ? ROUNDS.on : ROUNDS.whole;
  /** The last plan of each objective preset. */
  const last = new Map<ObjectivePreset['id'], Plan>();
  function* found(): Generator<OfPreset> {
    // Searched on, it begins anew with other chances.
    // What is pinned stays as it is; all else may be made as one.
    const pinned = places.filter((p) => p.pinned);
    const asked = askedOf(wanted, pinned, 'where it is better');
    const further = { ...asked, thorough: true, seed: asked.seed + 1 };
    for (const one of alternatives(on ? further : asked, rounds)) {
      const { id } = one.preset;
      last.set(id, one.plan);
      const sameAs = [...last].find(([other, before]) => other !== id && !differs(one.plan, before))?.[0] ?? null;
      yield { ...one, of: id, sameAs };
    }
  }
  const show = ({ plan, problem, of, sameAs }: OfPreset, isLast: boolean): PlanFound => ({
    ...shownOf(wanted, plan, problem, places, isLast ? simulate(problem, plan.makes) : null),
    ...measured(plan, rounds, [OBJECTIVE_PRESETS.findIndex((p) => p.id === of), OBJECTIVE_PRESETS.length]),
    of,
    sameAs,
    changes: [],
    thorough: on,
  });
  return telling(found(), show, listener);
}

function searchMend({ wanted, places, supposing }: MendSearch, listener: Listener): Promise<void> {
  const asked = { ...askedOf(wanted, places, 'where it is better'), pins: [] };
  const before = standingOf(laidOut(asked), places).makes;
  const problem = laidOut(supposing ? supposed(asked, before, supposing) : asked);
  const standing = standingOf(problem, places);
  function* found() {
    for (const plan of plans(mending(problem, standing, places))) {
      yield { plan, of: 'mend' as const };
      if (isEnough(plan, problem, ROUNDS.mend)) return;
    }
  }
  const show = ({ plan }: { readonly plan: Plan }, isLast: boolean): PlanFound => ({
    ...shownOf(wanted, plan, problem, places, isLast ? simulate(problem, plan.makes) : null),
    ...measured(plan, ROUNDS.mend),
    thorough: false,
    of: 'mend',
    sameAs: null,
    changes: changesShown(wanted, changesOf(before, plan.makes)),
  });
  return telling(found(), show, listener);
}

/** How a step of a make is extended for a task of it to come at a minute: the step before that task, longer or shorter than it needs. */
function holding({ network, steps, mode }: PlannedMake, stageId: string, atMin: number): Extension | null {
  const step = network.steps.findIndex((s) => s.stageId === stageId) - 1;
  const before = steps[step];
  if (!before) return mode.extension;
  return { step, forMin: before.movedMin + atMin - before.endMin, afterWakingMin: 0 };
}

/** A mode of a make as the page is told of it. */
function placeAt({ startMs }: PlanWanted, { network }: PlannedMake, mode: MakeMode | null): BatchPlace | null {
  return mode && { startMs: startMs + mode.startMin * MIN_MS, extension: stageExtension(network, mode.extension) };
}

/** The planner itself: the same in a worker as beside a test. */
export const plannerEngine: PlannerApi = {
  layOut(wanted, places) {
    const asked = { ...askedOf(wanted, places), pins: [] };
    const problem = laidOut(asked);
    const standing = standingOf(problem, places);
    const shown = shownOf(wanted, standing, problem, places, simulate(problem, standing.makes));
    const plannedBatches = new Map(
      shown.plannedBatches.map((plannedBatch, i) => [plannedBatch.id, standing.makes[i]!]),
    );
    laid = { wanted, places, problem, standing, plannedBatches };
    const idOf = new Map([...plannedBatches].map(([id, make]) => [make, id]));
    const knowing = new Map(wanted.before.map((p) => [p.id, p.accepted]));
    const news = standing.troubles
      .map((t) => ({ ...t, breaks: t.breaks.filter((b) => !knowing.get(idOf.get(t.make)!)?.includes(b.is)) }))
      .filter((t) => t.breaks.length > 0);
    return {
      ...shown,
      troubles: news.map(({ make, breaks, repair }) => ({
        plannedBatchId: idOf.get(make)!,
        breaks: breaksOf(wanted, breaks),
        repair: placeAt(wanted, make, repair),
      })),
      unplaced: [...new Set(standing.unplaced.map((u) => u.orderId))],
    };
  },
  move(plannedBatchId, startMs, task) {
    const make = laid?.plannedBatches.get(plannedBatchId);
    if (!laid || !make) return null;
    const { wanted, problem, standing, places } = laid;
    const startMin = Math.max(0, (startMs - wanted.startMs) / MIN_MS);
    const extension = task ? holding(make, task.stageId, (task.atMs - wanted.startMs) / MIN_MS) : make.mode.extension;
    const found = moved(problem, standing.makes, make, startMin, extension);
    if (found.steps.length === 0) return null;
    const as: PlannedMake = {
      ...make,
      steps: found.steps,
      hands: handsAsWalked({ steps: found.steps, feed: make.feed }),
      mode: found.mode ?? { ...make.mode, startMin, readyMin: found.steps.at(-1)!.endMin, extension: found.extension },
    };
    const [plannedBatch] = shownBatches(wanted, [as], places, problem);
    return {
      plannedBatch: plannedBatch!,
      breaks: breaksOf(wanted, found.breaks),
      repair: placeAt(wanted, make, found.repair),
    };
  },
  async search(search, tell) {
    const mine = ++turn;
    const isOn = () => mine === turn;
    await (search.is === 'whole' ? searchWhole(search, { tell, isOn }) : searchMend(search, { tell, isOn }));
  },
  stop() {
    turn++;
  },
};
