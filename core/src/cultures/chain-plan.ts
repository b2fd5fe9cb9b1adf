import { say, type Text } from '../messages/message.js';
import { amount } from '../messages/quantity.js';
import { starterChain, type ChainAsked, type ChainStep } from '../forecast/starter-chain.js';
import { SPENT } from '../constants/starter.js';
import type { CultureLot } from '../lots/culture-lot.js';
import { storeOf } from '../lots/culture-lot.js';

const HOUR_MS = 3_600_000;

/** A starter wanted ripe at a moment. */
export interface ChainWanted {
  readonly neededG: number;
  readonly readyMs: number;
  readonly nowMs: number;
  readonly dosePct: number;
  readonly tempC: number;
  readonly heldBackG: number;
  /** True at a moment (ms) at which hands are welcome; every moment, where nobody said. */
  readonly isAwake?: (atMs: number) => boolean;
}

/** A culture that could begin the chain, with what is left of it and its activity. */
export interface ChainFrom {
  readonly lot: CultureLot;
  readonly leftG: number;
  readonly activity: number;
}

/** A step of a chain by the clock. */
export interface ClockedStep {
  readonly milkG: number;
  readonly starterG: number;
  readonly beginMs: number;
  readonly ripeMs: number;
  readonly tempC: number;
  /** How long it waits ripe in the cold until it is taken, h. */
  readonly waitsH: number;
}

/** A chain by the clock, or why there is none. */
export interface ChainPlan {
  readonly from: ChainFrom;
  readonly steps: readonly ClockedStep[];
  /** Empty where it can be done. */
  readonly impossible: Text;
}

/** Ripe early rather than late: a ripe starter waits some hours in the cold. */
const EARLY_H = 1;
const RIPE_PH = 4.5;

/** Starter by the clock, reckoned backwards from when it is wanted. */
export function chainPlan(from: ChainFrom, wanted: ChainWanted): ChainPlan {
  const { lot, leftG, activity } = from;
  const asked: ChainAsked = {
    culture: lot.culture,
    neededG: wanted.neededG,
    from: { form: lot.form, ageDays: 0, store: storeOf(lot), generation: lot.generation, massG: leftG },
    activity,
    dosePct: wanted.dosePct,
    tempC: wanted.tempC,
    ripePh: RIPE_PH,
    heldBackG: wanted.heldBackG,
  };
  if (activity <= SPENT) return { from, steps: [], impossible: say('cultures.chainPlan.tooLittleLeftBegin') };
  const steps = starterChain(asked);
  if ('impossible' in steps) return { from, steps: [], impossible: steps.impossible };
  const byDay = clocked(steps, wanted, wanted.isAwake ?? (() => true));
  const late = byDay[0]!.beginMs < wanted.nowMs;
  const plan = late ? clocked(steps, wanted, () => true) : byDay;
  const lateH = (wanted.nowMs - plan[0]!.beginMs) / HOUR_MS;
  return {
    from,
    steps: plan,
    impossible: lateH > 0 ? say('cultures.chainPlan.shouldBeenBegunH', { lateH: amount(lateH, 1) }) : '',
  };
}

/** A step is moved earlier by so much at a time, and at most so far, until hands are welcome at both of its ends. */
const MOVE_MS = HOUR_MS / 4;
const MOST_MS = 24 * HOUR_MS;

/** Steps by the clock, the last first: each is ripe in time for the next, and where it can be both begun and ripe by day. */
function clocked(
  steps: readonly ChainStep[],
  { readyMs, tempC }: ChainWanted,
  isAwake: (atMs: number) => boolean,
): readonly ClockedStep[] {
  let untilMs = readyMs - EARLY_H * HOUR_MS;
  const backwards = [...steps].reverse().map(({ milkG, starterG, ripensH }) => {
    const lastMs = untilMs - ripensH * HOUR_MS;
    const tries = Array.from({ length: MOST_MS / MOVE_MS + 1 }, (_, i) => lastMs - i * MOVE_MS);
    const beginMs = tries.find((at) => isAwake(at) && isAwake(at + ripensH * HOUR_MS)) ?? lastMs;
    const ripeMs = beginMs + ripensH * HOUR_MS;
    const waitsH = (untilMs - ripeMs) / HOUR_MS;
    untilMs = beginMs;
    return { milkG, starterG, beginMs, ripeMs, tempC, waitsH };
  });
  return backwards.reverse();
}

/** The way on if a chain breaks: the next best culture of the same kind that still gets there, or null. */
export function otherwise(broken: ChainFrom, others: readonly ChainFrom[], wanted: ChainWanted): ChainPlan | null {
  return (
    others
      .filter(({ lot }) => lot.id !== broken.lot.id && lot.culture === broken.lot.culture)
      .sort((a, b) => b.activity - a.activity)
      .map((from) => chainPlan(from, wanted))
      .find((plan) => plan.impossible === '') ?? null
  );
}
