import { say, type Message, type Text, uniqueTexts } from '../messages/message.js';
import type { Cost } from '../balance/cost.js';
import { nutritionOf, type Nutrition } from '../balance/nutrition.js';
import { byproductsOf, type Byproduct } from '../balance/byproducts.js';
import { makeCost } from './make-cost.js';
import { balanceOf, type Balance } from '../balance/yield.js';
import { clockFrom, PLAIN_WALL } from '../environment/day-clock.js';
import { NOMINAL_MEMBER, type Environment } from '../environment/environment.js';
import { ALWAYS_AWAKE, kitchenFor, swingFrom, type Household } from './household.js';
import type { ForecastOptions } from '../forecast/souring-forecast.js';
import { expectedCues, type ExpectedCue } from '../forecast/expected-cues.js';
import { expecting as expectingOf } from '../learn/expecting.js';
import { learnedHere, type LearnedHere } from '../learn/here.js';
import type { LotStock } from '../lots/lot.js';
import { checkChoices } from '../methods/check-choices.js';
import { decided, type Choices, type Method } from '../methods/method.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import { nearestPair } from '../physics/pasteurisation.js';
import { coolingFinding } from '../safety/cooling.js';
import type { Finding } from '../safety/rules.js';
import { shelfLife, type ShelfLife } from '../safety/shelf-life.js';
import { CAUTIONS } from '../stages/cautions.js';
import type { EndsBy, Slack, Problem } from '../stages/kind.js';
import { isRich } from '../stages/pass-time.js';
import { solidsFraction, totalG } from '../materials/composition.js';
import { bodyWord, firmness, syneresis, type CrockState } from '../state/crock-state.js';
import { amountsOf, type Amount } from './amounts.js';
import { planStages } from './plan.js';
import { untilWoken } from './waking.js';
import { problemsOf } from './problems.js';
import { souringOf, strainingOf, type SheetSouring, type SheetStraining } from './sheet-forecasts.js';
import { courseOf, firstOf, lastOf, runMake, type StageRun } from './run.js';
import { withBottles } from '../learn/pot-and-bottle.js';

/** A stage on the sheet; minutes from the start of the make. */
export interface SheetStage {
  readonly id: string;
  readonly kind: string;
  readonly name: Text;
  readonly instruction: Text;
  readonly beginMin: number;
  readonly endMin: number;
  readonly handsMin: number;
  readonly slack: Slack;
  readonly lookFor: Text;
  /** When what is looked at will change, in minutes of the make. */
  readonly expect: readonly ExpectedCue[];
}

export interface SheetPoint {
  readonly min: number;
  readonly tempC: number;
  readonly ph: number;
  readonly massG: number;
  readonly wheyG: number;
}

/** What a make will be, before anything is poured. Plain data. */
export interface MakeSheet {
  readonly methodId: string;
  readonly choices: Choices;
  readonly amounts: readonly Amount[];
  readonly stages: readonly SheetStage[];
  readonly line: readonly SheetPoint[];
  readonly souring: SheetSouring | null;
  readonly straining: SheetStraining | null;
  /** Milk's whey protein is in it, which heat changes. */
  readonly hasWheyProtein: boolean;
  readonly heat: {
    readonly peakC: number;
    readonly betaLgPct: number;
    readonly pasteurised: boolean;
    readonly pair: Message;
  };
  readonly product: {
    readonly massG: number;
    readonly fatPct: number;
    readonly proteinPct: number;
    readonly solidsPct: number;
    readonly ph: number;
    readonly firmness: number;
    readonly firmnessWord: Text;
    readonly syneresis: number;
    readonly pots: number;
  };
  readonly balance: Balance;
  /** All that is left besides the product: whey, thin cream, what is kept for the next make. */
  readonly byproducts: readonly Byproduct[];
  readonly nutrition: Nutrition;
  /** How long it keeps; null where it never comes to its end: then nothing is promised. */
  readonly keeps: ShelfLife | null;
  /** What the rules of safety have to say of the make as planned. */
  readonly findings: readonly Finding[];
  readonly cost: Cost;
  /** What the kitchen's makes have taught that acts on it. */
  readonly learned: readonly LearnedHere[];
  readonly problems: readonly Problem[];
  readonly cautions: readonly Text[];
  readonly handsMin: number;
  readonly totalMin: number;
}

/** When a make would be begun, and in what household. */
export interface SheetBegin extends Household {
  readonly startMs?: number;
  /** Lots of one's own that the choices may name. */
  readonly stocks?: readonly LotStock[];
}

/** Members of a sheet's forecast: fewer than a live one, as it is redone at every touch. */
export const SHEET_FORECAST: ForecastOptions = { members: 400, seed: 1, fanPoints: 36 };

/**
 * Computes a make from its method and choices: amounts, stages, forecast, yield, food value, cost, problems, cautions.
 * @throws RangeError for a choice the method does not have or a value outside its bounds, naming it and its bounds
 */
export function makeSheet(
  method: Method,
  given: Choices,
  options: ForecastOptions = SHEET_FORECAST,
  begin: SheetBegin = {},
): MakeSheet {
  const { startMs = 0, wake = ALWAYS_AWAKE, stocks = [] } = begin;
  checkChoices(method, given, stocks);
  const choices = decided(method, given);
  const kitchen = kitchenFor(choices, begin.kitchen, begin.known);
  const planned = planStages(method, withBottles(choices, begin.known?.learned), stocks);
  const expecting = expectingOf(planned, choices, { member: NOMINAL_MEMBER }, begin.known);
  const environment: Environment = {
    kitchen,
    member: expecting.expected,
    clock: clockFrom(startMs, begin.wall ?? PLAIN_WALL),
    ...swingFrom(startMs, kitchen.roomC, begin),
  };
  const runs = runMake(planned, environment, (run) => untilWoken(run, environment, startMs, wake));
  const end = lastOf(runs[runs.length - 1]!);
  const potG = Number(choices['potG']);
  const amounts = amountsOf(runs, choices);
  const handsMin = runs.reduce((sum, run) => sum + run.stage.kind.handsMin(run.stage.params), 0);
  const whole = runs.length === planned.length && runs.every((r) => r.finished);
  const byproducts = byproductsOf(end, planned);
  return {
    methodId: method.id,
    choices,
    amounts: amounts.map(weighed),
    stages: runs.map((run, i) => sheetStage(run, runs[i - 1], environment)),
    line: runs.flatMap(linePoints),
    souring: souringOf(runs, environment, options, expecting, begin.known?.learned),
    straining: strainingOf(runs, environment, options, expecting, begin.known?.learned),
    hasWheyProtein: end.inputs.wheyProtein > 0 && end.inputs.casein > 0,
    heat: heatOf(end),
    product: productOf(end, potG),
    balance: balanceOf(end),
    byproducts,
    nutrition: nutritionOf(end),
    keeps: whole ? shelfLife(end, environment.kitchen.refrigeratorC) : null,
    findings: findingsOf(runs, end),
    cost: makeCost(runs, planned, choices, totalG(end.masses)),
    learned: learnedHere(planned, begin.known),
    problems: [...problemsOf(runs), ...(whole ? [] : wouldNeverEnd(runs))],
    cautions: cautionsOf(runs),
    handsMin,
    totalMin: end.minute,
  };
}

/** An amount as the sheet shows it: without how it was reckoned. */
function weighed({
  what,
  massG,
  volumeMl,
  measure,
  pricedAs,
  stockId,
  lotId,
  outOf,
}: Amount): MakeSheet['amounts'][number] {
  return { what, massG, volumeMl, measure, pricedAs, stockId, lotId, outOf };
}

function heatOf(end: CrockState): MakeSheet['heat'] {
  return {
    peakC: end.peakC,
    betaLgPct: 100 * denaturedBetaLg(end.native),
    pasteurised: end.pasteurisedShare >= 1,
    pair: nearestPair(end.peakC, isRich(end)),
  };
}

function productOf(end: CrockState, potG: number): MakeSheet['product'] {
  const massG = totalG(end.masses);
  return {
    massG,
    fatPct: (100 * end.masses.fat) / massG,
    proteinPct: (100 * (end.masses.casein + end.masses.wheyProtein)) / massG,
    solidsPct: 100 * solidsFraction(end.masses),
    ph: end.ph,
    firmness: firmness(end),
    firmnessWord: bodyWord(end),
    syneresis: syneresis(end),
    pots: Math.floor(massG / potG),
  };
}

function sheetStage(run: StageRun, before: StageRun | undefined, environment: Environment): SheetStage {
  const { kind, params } = run.stage;
  return {
    id: run.stage.id,
    kind: kind.kind,
    name: kind.name(params),
    instruction: kind.instruction(params, before ? lastOf(before) : firstOf(run), lastOf(run)),
    beginMin: firstOf(run).minute,
    endMin: lastOf(run).minute,
    handsMin: kind.handsMin(params),
    slack: run.finished ? kind.slack(params, courseOf(run, environment)) : { earlyMin: 0, lateMin: 0, cost: '' },
    lookFor: kind.endCue(params, lastOf(run)),
    expect: expectedCues(run.states).filter(({ cue }) => kind.cues.some((scale) => scale.cue === cue)),
  };
}

function linePoints(run: StageRun): SheetPoint[] {
  const every = Math.max(1, Math.ceil(run.states.length / 50));
  return run.states
    .filter((_, i) => i % every === 0 || i === run.states.length - 1)
    .map((s) => ({
      min: s.minute,
      tempC: s.tempC,
      ph: s.ph,
      massG: totalG(s.masses),
      wheyG: totalG(s.whey),
    }));
}

function findingsOf(runs: readonly StageRun[], end: CrockState): readonly Finding[] {
  const cooling = coolingFinding(
    runs.flatMap((r) => r.states),
    end.ph,
  );
  return cooling ? [cooling] : [];
}

/** That the last stage never ends, where nothing graver says why; what is merely the worse for something does not hide that. */
function wouldNeverEnd(runs: readonly StageRun[]): readonly Problem[] {
  if (problemsOf(runs).some(({ mild }) => !mild)) return [];
  const stuck = runs[runs.length - 1]!;
  return [
    {
      field: stuck.stage.id,
      message: say('make.sheet.wouldNotDoneFive', { params: stuck.stage.kind.name(stuck.stage.params) }),
      remedy: STUCK_REMEDY[stuck.stage.kind.endsBy],
    },
  ];
}

/** What helps a stage that would never end, by what decides its end. */
const STUCK_REMEDY: Readonly<Record<EndsBy, Text>> = {
  clock: say('make.sheet.askLessTime'),
  temperature: say('make.sheet.heatLessMilkOnce'),
  acidity: say('make.sheet.keepWarmerUseMore'),
  solids: say('make.sheet.divideOverMoreCloths'),
};

function cautionsOf(runs: readonly StageRun[]): Text[] {
  const all = runs.flatMap((run) => [...run.stage.kind.cautions(run.stage.params, firstOf(run))]);
  return uniqueTexts([...all, CAUTIONS.mould, CAUTIONS.defer]);
}
