import { SOUR_AGENTS, type SourAgentId } from '../constants/acids.js';
import { BOTTLE, POT } from '../constants/pooling.js';
import type { Choices } from '../methods/method.js';
import { bottleOwned, potOwned } from './owners.js';
import { recall, type Pooled } from './pooled.js';

/** What is expected where nothing was ever said. */
export const NOTHING_SAID = { mean: [0], sd: [1] };

/** Heat that a pot of a size loses against the usual, or against what was measured of it; 1 where no make has shown it. */
export function potLossFactor(learned: Pooled, choices: Choices): number {
  return Math.exp(POT.sd * recall(learned, potOwned(choices['vesselL']), NOTHING_SAID).mean[0]!);
}

/** Acid in a bottle or fruit against what its label or the usual says; 1 where no make has shown it. */
export function acidStrengthFactor(learned: Pooled, agent: SourAgentId): number {
  return Math.exp(BOTTLE.sd * recall(learned, bottleOwned(agent), NOTHING_SAID).mean[0]!);
}

/** Choices with the acid as strong as the kitchen's makes have shown it: the dose follows. */
export function withBottles(choices: Choices, learned: Pooled | undefined): Choices {
  const agent = choices['agent'] as SourAgentId | undefined;
  if (!learned || agent === undefined || choices['acidPct'] === undefined) return choices;
  const { strengthPct, weakestPct, strongestPct } = SOUR_AGENTS[agent];
  const labelPct = Number(choices['acidPct']) || strengthPct;
  const factor = acidStrengthFactor(learned, agent);
  // What no bottle says is left as it is, for the sheet to say so.
  if (factor === 1 || labelPct < weakestPct || labelPct > strongestPct) return choices;
  const shownPct = labelPct * factor;
  return { ...choices, acidPct: Math.min(strongestPct, Math.max(weakestPct, shownPct)) };
}
