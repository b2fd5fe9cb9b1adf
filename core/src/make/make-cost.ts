import { byproductsOf, isGoods, type Byproduct } from '../balance/byproducts.js';
import { costOf, type Cost } from '../balance/cost.js';
import type { Choices } from '../methods/method.js';
import type { BoundStage } from '../stages/registry.js';
import { amountsOf } from './amounts.js';
import { lastOf, type StageRun } from './run.js';

/** What a make costs that was run, by the prices of its choices. */
export interface MakeCost extends Cost {
  /** Whether anything that went in had a price. */
  readonly isPriced: boolean;
}

/**
 * Reckons a make as it was run.
 *
 * @param planned all its stages, whether they were run or not
 * @param productG what came of it, g
 */
export function makeCost(
  runs: readonly StageRun[],
  planned: readonly BoundStage[],
  choices: Choices,
  productG: number,
): MakeCost {
  const end = lastOf(runs[runs.length - 1]!);
  const parts = amountsOf(runs, choices);
  const cost = costOf({
    parts,
    energyKJ: end.energyKJ,
    productG,
    potG: Number(choices['potG']),
    handsMin: runs.reduce((sum, { stage }) => sum + stage.kind.handsMin(stage.params), 0),
    shopPricePerKg: Number(choices['shopPrice']),
    potPrice: Number(choices['potPrice'] ?? 0),
    handsPerHour: Number(choices['handsPerHour'] ?? 0),
    byproductsWorth: besidesWorth(byproductsOf(end, planned), choices),
  });
  return { ...cost, isPriced: parts.some(({ pricePerKg }) => pricePerKg > 0) };
}

/** What comes besides the product, at the price that was given for it. */
function besidesWorth(byproducts: readonly Byproduct[], choices: Choices): number {
  return (
    (byproducts.filter(isGoods).reduce((sum, { massG }) => sum + massG, 0) / 1000) *
    Number(choices['besidesPrice'] ?? 0)
  );
}
