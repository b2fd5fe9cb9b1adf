import { starterChain, type ChainAsked } from '../forecast/starter-chain.js';
import { SPENT } from '../physics/vitality.js';
import type { CultureLot } from './culture-lot.js';
import { storeOf } from './culture-lot.js';

const HOUR_MS = 3_600_000;

/** A starter wanted ripe at a moment. */
export interface ChainWanted {
  readonly neededG: number;
  readonly readyMs: number;
  readonly nowMs: number;
  readonly dosePct: number;
  readonly tempC: number;
  readonly heldBackG: number;
}

/** A culture that could begin the chain, with what is left of it and its vigour. */
export interface ChainFrom {
  readonly lot: CultureLot;
  readonly leftG: number;
  readonly vigour: number;
}

/** A step of a chain by the clock. */
export interface ClockedStep {
  readonly milkG: number;
  readonly starterG: number;
  readonly beginMs: number;
  readonly ripeMs: number;
  readonly tempC: number;
}

/** A chain by the clock, or why there is none. */
export interface ChainPlan {
  readonly from: ChainFrom;
  readonly steps: readonly ClockedStep[];
  /** Empty where it can be done. */
  readonly impossible: string;
}

/** Ripe early rather than late: a ripe starter waits some hours in the cold. */
const EARLY_H = 1;
const RIPE_PH = 4.5;

/** Starter by the clock, reckoned backwards from when it is wanted. */
export function chainPlan(from: ChainFrom, wanted: ChainWanted): ChainPlan {
  const { lot, leftG, vigour } = from;
  const asked: ChainAsked = {
    culture: lot.culture,
    neededG: wanted.neededG,
    from: { form: lot.form, ageDays: 0, store: storeOf(lot), generation: lot.generation, massG: leftG },
    vigour,
    dosePct: wanted.dosePct,
    tempC: wanted.tempC,
    ripePh: RIPE_PH,
    heldBackG: wanted.heldBackG,
  };
  if (vigour <= SPENT) return { from, steps: [], impossible: 'Too little is left in it to begin with.' };
  const steps = starterChain(asked);
  if ('impossible' in steps) return { from, steps: [], impossible: steps.impossible };
  const endMs = wanted.readyMs - EARLY_H * HOUR_MS;
  const clocked = steps.map(({ milkG, starterG, ripensH, beginsHBefore }) => {
    const beginMs = endMs - beginsHBefore * HOUR_MS;
    return { milkG, starterG, beginMs, ripeMs: beginMs + ripensH * HOUR_MS, tempC: wanted.tempC };
  });
  const late = clocked[0]!.beginMs < wanted.nowMs;
  const lateH = (wanted.nowMs - clocked[0]!.beginMs) / HOUR_MS;
  return {
    from,
    steps: clocked,
    impossible: late
      ? `It should have been begun ${lateH.toFixed(1)} h ago: want it later, or take a bigger dose.`
      : '',
  };
}

/** The way on if a chain breaks: the next best culture of the same kind that still gets there, or null. */
export function otherwise(broken: ChainFrom, others: readonly ChainFrom[], wanted: ChainWanted): ChainPlan | null {
  return (
    others
      .filter(({ lot }) => lot.id !== broken.lot.id && lot.culture === broken.lot.culture)
      .sort((a, b) => b.vigour - a.vigour)
      .map((from) => chainPlan(from, wanted))
      .find((plan) => plan.impossible === '') ?? null
  );
}
