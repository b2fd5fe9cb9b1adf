import { lotIdOf } from '../lots/lot.js';
import type { Stock } from '../materials/materials.js';
import { decided, type Choices, type Method } from '../methods/method.js';
import { blendParts, type BlendParams } from '../stages/blend.js';
import { planStages } from './plan.js';

/** Milk and cream of a make as two amounts, g. */
export interface MilkLines {
  readonly milkG: number;
  readonly creamG: number;
}

function blendOf(method: Method, given: Choices, stocks: readonly Stock[]): BlendParams | null {
  const choices = decided(method, given);
  const known = Object.values(choices).every((v) => {
    const lotId = typeof v === 'string' ? lotIdOf(v) : null;
    return lotId === null || stocks.some((s) => s.id === v);
  });
  if (!known || choices['blendBy'] !== 'fat') return null;
  const stage = planStages(method, choices, stocks).find((s) => s.kind.kind === 'blend');
  return stage ? (stage.params as unknown as BlendParams) : null;
}

/** How much milk and how much cream a total and a fat come to; null where a make blends none. */
export function milkLines(method: Method, given: Choices, stocks: readonly Stock[] = []): MilkLines | null {
  const params = blendOf(method, given, stocks);
  if (!params) return null;
  const of = (pricedAs: 'milk' | 'cream') =>
    blendParts({ ...params, powderPct: 0 })
      .filter((part) => part.pricedAs === pricedAs)
      .reduce((sum, part) => sum + part.massG, 0);
  return { milkG: of('milk'), creamG: of('cream') };
}

/** The total and the fat that some milk and some cream come to; null where a make blends none, or there is nothing. */
export function totalOfLines(
  method: Method,
  given: Choices,
  { milkG, creamG }: MilkLines,
  stocks: readonly Stock[] = [],
): { readonly massG: number; readonly fatPct: number } | null {
  const params = blendOf(method, given, stocks);
  const massG = milkG + creamG;
  if (!params || !(massG > 0)) return null;
  const fatOf = (by: 'milk' | 'cream') => blendParts({ ...params, by, powderPct: 0, massG: 100 })[0]!.stock.fatPct;
  return { massG, fatPct: (milkG * fatOf('milk') + creamG * fatOf('cream')) / massG };
}
