import { say, type Text } from '../messages/message.js';
import { between, mass } from '../messages/quantity.js';
import { expecting } from '../learn/expecting.js';
import { NOMINAL_MEMBER } from '../environment/environment.js';
import { kitchenFor, type Household } from './household.js';
import { lotIdOf, type LotStock } from '../lots/lot.js';
import { choicesThatCount, decided, type Choices, type Method, type NumberChoice } from '../methods/method.js';
import { fillsWithG } from '../stages/blend.js';
import { totalG } from '../materials/composition.js';
import { amountsOf } from './amounts.js';
import { planStages } from './plan.js';
import { lastOf, runMake } from './run.js';
import { withBottles } from '../learn/pot-and-bottle.js';

/** What a make is scaled to: so much product, a lot used up, or its pot filled. */
export type Goal =
  | { readonly is: 'product'; readonly massG: number }
  | { readonly is: 'use up'; readonly lotId: string; readonly massG: number }
  | { readonly is: 'fill the pot' };

/** The milk (and cream), or what stands in its place, that meets a goal, g, and the choice it is said in; or the bound that stands in its way. */
export type Scaled =
  | { readonly ok: true; readonly key: string; readonly massG: number }
  | { readonly ok: false; readonly message: Text; readonly remedy: Text };

/** Choices that say how much a make begins with, g: milk, or what is soured already. */
const AMOUNTS: ReadonlySet<string> = new Set(['massG', 'boughtG']);

/** The choice that says how much a make begins with, as it is decided; undefined where none does. */
export function amountChoice(method: Method, choices: Choices): NumberChoice | undefined {
  return method.groups
    .flatMap((group) => choicesThatCount(group, choices))
    .find((c): c is NumberChoice => c.kind === 'number' && AMOUNTS.has(c.key));
}

/** The goal is met within this share of it; the scale is not read finer. */
const CLOSE = 0.002;
const MOST_ROUNDS = 12;
/** Masses are told to so much, g. */
const STEP_G = 10;

/**
 * How much milk a goal takes, all other choices left: what is wanted grows with the milk, nearly in proportion, so a few
 * steps of the secant rule find it on the engine itself.
 */
export function scaleTo(
  method: Method,
  given: Choices,
  goal: Goal,
  { kitchen, known, stocks = [] }: Household & { readonly stocks?: readonly LotStock[] } = {},
): Scaled {
  const choices = withBottles(decided(method, given), known?.learned);
  const mass = amountChoice(method, choices);
  if (!mass) return { ok: false, message: say('make.scale.makeNotScaledMilk'), remedy: say('make.scale.typeAmount') };
  if (goal.is === 'fill the pot') return within(mass, floorTo(fillsWithG(Number(choices['vesselL']))));

  const { expected } = expecting(planStages(method, choices, stocks), choices, { member: NOMINAL_MEMBER }, known);
  const environment = { kitchen: kitchenFor(choices, kitchen, known), member: expected };
  const measure = (massG: number): number => {
    const runs = runMake(planStages(method, { ...choices, [mass.key]: massG }, stocks), environment);
    if (goal.is === 'product') return totalG(lastOf(runs[runs.length - 1]!).masses);
    const own = amountsOf(runs, choices).filter((a) => a.lotId === goal.lotId);
    return own.reduce((sum, a) => sum + a.massG, 0);
  };
  let [x0, x1] = [Number(choices[mass.key]), 0];
  let y0 = measure(x0);
  if (!(y0 > 0))
    return { ok: false, message: say('make.scale.makeTakesNothingChosen'), remedy: say('make.scale.chooseFirst') };
  x1 = (x0 * goal.massG) / y0;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const y1 = measure(x1);
    if (Math.abs(y1 - goal.massG) <= CLOSE * goal.massG || y1 === y0) break;
    [x0, x1, y0] = [x1, Math.max(1, x1 + ((goal.massG - y1) * (x1 - x0)) / (y1 - y0)), y1];
  }
  return within(mass, goal.is === 'use up' ? floorTo(x1) : Math.round(x1 / STEP_G) * STEP_G);
}

const floorTo = (massG: number) => Math.floor(massG / STEP_G + 1e-9) * STEP_G;

function within({ key, min, max }: NumberChoice, massG: number): Scaled {
  if (massG >= min && massG <= max) return { ok: true, key, massG };
  const bound = massG < min ? min : max;
  return {
    ok: false,
    message: say('make.scale.wouldTakeMilk', { mass: mass(massG) }),
    remedy: say('make.scale.makeGoesFromNearest', { range: between(mass(min), mass(max)), bound: mass(bound) }),
  };
}

/** The lots that some choices name. */
export function lotsNamed(choices: Choices): readonly string[] {
  return Object.values(choices).flatMap((v) => (typeof v === 'string' ? (lotIdOf(v) ?? []) : []));
}
