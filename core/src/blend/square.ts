/** Two materials that meet at a target: the classical square. */
export interface SquareParts {
  readonly leanG: number;
  readonly richG: number;
}

/**
 * Masses of a lean and a rich material that give a total mass at a target percentage (of fat, say).
 * Returns null where the target lies outside the two.
 *
 * @param leanPct @param richPct @param targetPct percent by mass of what is balanced
 */
export function pearsonSquare(totalG: number, leanPct: number, richPct: number, targetPct: number): SquareParts | null {
  if (targetPct < Math.min(leanPct, richPct) || targetPct > Math.max(leanPct, richPct)) return null;
  if (leanPct === richPct) return { leanG: totalG, richG: 0 };
  const richG = (totalG * (targetPct - leanPct)) / (richPct - leanPct);
  return { leanG: totalG - richG, richG };
}
