import type { Text } from '../messages/message.js';
import { byproductsOf, isGoods, type Byproduct } from '../balance/byproducts.js';
import type { DayClock } from '../environment/day-clock.js';
import { NOMINAL_MEMBER, type Environment } from '../environment/environment.js';
import { kitchenFor, type Household } from '../make/household.js';
import { expecting } from '../learn/expecting.js';
import type { Unknowns } from '../learn/kitchen-draw.js';
import type { LotStock } from '../lots/lot.js';
import { amountsOf, type Amount } from '../make/amounts.js';
import { planStages } from '../make/plan.js';
import { cultureOf } from '../stages/culture-of.js';
import { problemsOf } from '../make/problems.js';
import { courseOf, firstOf, lastOf, runMake, type StageRun } from '../make/run.js';
import { gearDemandsOf, type GearDemand } from '../make/gear-demands.js';
import { decided, type Choices, type Method } from '../methods/method.js';
import { SAFE_PH } from '../constants/safety-limits.js';
import { shelfLife } from '../safety/shelf-life.js';
import { LEAST_MIN, type Ending } from '../stages/ending.js';
import type { Slack, Problem } from '../stages/kind.js';
import { totalG } from '../materials/composition.js';
import { withBottles } from '../learn/pot-and-bottle.js';
import { workOf, type Work } from './work.js';
import { surfaceFor, type DurationSurface, type Lasts } from './durations.js';
import { lastsOf, luckOf, surfaceOf } from './luck.js';

/** A step of a make as a plan sees it: hands that begin it, how long it then takes, and how far its end may be moved. */
export interface Step {
  readonly stageId: string;
  readonly kind: string;
  readonly name: Text;
  readonly says: Text;
  /** Minutes of hands to begin it, and whether they must stay. */
  readonly handsMin: number;
  readonly attended: boolean;
  /** Which kind of work its hands are, where it is one that not everybody does. */
  readonly work?: Work;
  /** Two are wanted for it: what is carried is more than one lifts. */
  readonly forTwo?: true;
  readonly lasts: Lasts;
  readonly slack: Slack;
  /** Where the clock ends it, how long it lasts is only usual. */
  readonly ends?: DayEnd;
  /** True where what it is at its end is a matter of acid: slack that is used is tasted. */
  readonly sours: boolean;
}

/** A step that ends at an hour of the day, or as somebody gets up; the next time after so many minutes. */
export interface DayEnd {
  readonly at: number | 'morning';
  readonly leastMin: number;
}

/** What starter a make takes, and in which step. */
export interface Sown {
  readonly culture: NonNullable<ReturnType<typeof cultureOf>>;
  readonly step: number;
  readonly massG: number;
}

/** The crock somewhere in a step of a make, as it usually goes. */
export interface CoursePoint {
  readonly step: number;
  /** How much of the step is over, 0–1. */
  readonly share: number;
  readonly massG: number;
  /** All whey drained so far. */
  readonly wheyG: number;
  readonly ph: number;
  readonly tempC: number;
}

/** A make as a network of steps, one after the other. */
export interface Network {
  readonly methodId: string;
  readonly name: Text;
  readonly choices: Choices;
  readonly steps: readonly Step[];
  /** How long the steps take by what nobody knows beforehand, and what that is. */
  readonly durations: DurationSurface;
  readonly unknowns: Unknowns;
  readonly demands: readonly GearDemand[];
  readonly sown: Sown | null;
  /** What it holds back for its line, g, and with which step; null where it holds nothing back. */
  readonly gives: { readonly step: number; readonly massG: number } | null;
  readonly amounts: readonly Amount[];
  /** What is left over as it is done, for other makes. */
  readonly leaves: readonly Byproduct[];
  /** How it usually goes, for a drawing. */
  readonly course: readonly CoursePoint[];
  readonly productG: number;
  readonly keepsDays: number;
  /** What would defeat it, or make it worse. */
  readonly problems: readonly Problem[];
}

/** What ends at an hour of the day is worked out for a night of so many minutes, as it is not known yet when it begins. */
const USUAL_WAIT_MIN = 10 * 60;
const USUAL_WAIT: DayClock = {
  nextAt: (minute) => minute + USUAL_WAIT_MIN,
  morning: (minute) => minute + USUAL_WAIT_MIN,
};

/** The hour of the day that ends a step, where one does; a souring no sooner than it is sour enough to keep. */
function dayEndOf(run: StageRun): Pick<Step, 'ends'> {
  const { kind, params } = run.stage;
  const { until, untilHour } = params as Partial<Ending>;
  if (until !== 'morning' && until !== 'hour') return {};
  const safe = kind.endsBy === 'acidity' ? (run.states.find((s) => s.ph <= SAFE_PH) ?? lastOf(run)) : firstOf(run);
  const leastMin = Math.max(LEAST_MIN, safe.minute - firstOf(run).minute);
  return { ends: { at: until === 'morning' ? 'morning' : untilHour!, leastMin } };
}

/** What a make asks for before it is known how long each of its steps may take: its vessels, and what would defeat it. */
export type Outline = Pick<Network, 'demands' | 'problems'>;

/** What a network is worked out in. */
export type NetworkHousehold = Pick<Household, 'kitchen' | 'known'> & {
  readonly stocks?: readonly LotStock[];
  /** One lifts so much, g; any weight where left out. */
  readonly liftG?: number;
};

/** A make as it usually goes. Throws RangeError where it would never be done, naming the step. */
export function usualRuns(method: Method, given: Choices, { kitchen: usual, known, stocks = [] }: NetworkHousehold) {
  const choices = decided(method, given);
  const kitchen = kitchenFor(choices, usual, known);
  const stages = planStages(method, withBottles(choices, known?.learned), stocks);
  const { expected } = expecting(stages, choices, { member: NOMINAL_MEMBER }, known);
  const environment: Environment = { kitchen, member: expected, clock: USUAL_WAIT };
  const runs = runMake(stages, environment);
  const stuck = runs.find((run) => !run.finished);
  if (stuck) throw new RangeError(`"${stuck.stage.id}" would not be done in five days`);
  return { choices, stages, environment, runs };
}

/**
 * What a make asks for, for a tenth of the work of its network.
 *
 * @throws RangeError where it would never be done, naming the step
 */
export function outlineOf(method: Method, given: Choices, household: NetworkHousehold = {}): Outline {
  const { runs } = usualRuns(method, given, household);
  return { demands: gearDemandsOf(runs), problems: problemsOf(runs) };
}

/**
 * The network of a make: its steps as the engine runs them, each with the spread of how long it takes, and the vessels it stands in
 * meanwhile.
 *
 * @param like how long the steps of such a make take at all, of any size, where that is known
 * @throws RangeError where it would never be done, naming the step
 */
export function networkOf(
  method: Method,
  given: Choices,
  household: NetworkHousehold = {},
  like: DurationSurface | null = null,
): Network {
  const { choices, stages, environment, runs } = usualRuns(method, given, household);
  const luck = luckOf(runs, choices, household.known);
  const expectedMin = runs.map(lastedMin);
  const fits = like && like.expectedMin.length === expectedMin.length;
  const durations = fits ? surfaceFor(like, expectedMin) : surfaceOf(stages, luck, environment);
  const lasts = lastsOf(durations, luck.unknowns, household.known);
  const end = lastOf(runs.at(-1)!);
  return {
    methodId: method.id,
    name: method.name,
    choices,
    steps: runs.map((run, i) => ({
      ...stepOf(run, runs[i - 1], environment, lasts[i]!),
      ...workOf(run, household.liftG ?? Infinity),
    })),
    durations,
    unknowns: luck.unknowns,
    demands: gearDemandsOf(runs),
    sown: sownOf(runs, cultureOf(stages)),
    gives: givesOf(runs),
    amounts: amountsOf(runs, choices),
    leaves: byproductsOf(end, stages).filter(isGoods),
    course: runs.flatMap(pointsOf),
    productG: totalG(end.masses),
    keepsDays: shelfLife(end, environment.kitchen.refrigeratorC).days,
    problems: problemsOf(runs),
  };
}

/** Points that are kept of a step, besides its first. */
const POINTS = 4;

function pointsOf(run: StageRun, step: number): CoursePoint[] {
  const { states } = run;
  const since = firstOf(run).minute;
  const minutes = Math.max(lastOf(run).minute - since, 1e-9);
  const every = Math.max(1, Math.ceil((states.length - 1) / POINTS));
  return states
    .filter((_, i) => i % every === 0 || i === states.length - 1)
    .map((state) => ({
      step,
      share: (state.minute - since) / minutes,
      massG: totalG(state.masses),
      wheyG: totalG(state.whey),
      ph: state.ph,
      tempC: state.tempC,
    }));
}

const lastedMin = (run: StageRun) => lastOf(run).minute - firstOf(run).minute;

function stepOf(run: StageRun, before: StageRun | undefined, environment: Environment, lasts: Lasts): Step {
  const { kind, params, id } = run.stage;
  return {
    stageId: id,
    kind: kind.kind,
    name: kind.name(params),
    says: kind.instruction(params, before ? lastOf(before) : firstOf(run), lastOf(run)),
    handsMin: kind.handsMin(params),
    attended: kind.attended,
    lasts,
    slack: kind.slack(params, courseOf(run, environment)),
    ...dayEndOf(run),
    sours: kind.endsBy === 'acidity',
  };
}

function givesOf(runs: readonly StageRun[]): Network['gives'] {
  const step = runs.findIndex(({ stage }) => stage.kind.keepsBack);
  const massG = totalG(lastOf(runs.at(-1)!).heldBack);
  return step < 0 || massG <= 0 ? null : { step, massG };
}

function sownOf(runs: readonly StageRun[], culture: Sown['culture'] | null): Sown | null {
  if (!culture) return null;
  for (const [step, run] of runs.entries()) {
    const before = step > 0 ? lastOf(runs[step - 1]!) : firstOf(run);
    const starter = run.stage.kind.weighIn?.(run.stage.params, before).find((w) => w.outOf === 'culture');
    if (starter) return { culture, step, massG: starter.massG };
  }
  return null;
}
