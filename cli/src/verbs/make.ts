import { choicesOf, makeSheet, methodById, SHEET_FORECAST, type Pooled } from '@oat-crock/core';
import { InputRefused } from '@oat-crock/contract';
import { refusing } from './refusing.js';

export const make = (i: {
  method: string;
  choices: Record<string, number | string>;
  massG: number;
  learned?: Pooled;
}) => {
  const sheet = refusing('method', () => {
    const method = methodById(i.method);
    const pot = choicesOf(method).some((c) => c.key === 'vesselL') ? { vesselL: potFor(i.massG) } : {};
    const known = i.learned && { learned: i.learned };
    return makeSheet(method, { ...pot, ...i.choices, massG: i.massG }, SHEET_FORECAST, { known });
  });
  if (sheet.problems.length > 0) {
    throw new InputRefused(
      sheet.problems.map((p) => ({ field: `choices.${p.field}`, message: p.message, remedy: p.remedy })),
    );
  }
  return {
    stages: sheet.stages.map((s) => ({
      kind: s.kind,
      startMin: s.beginMin,
      endMin: s.endMin,
      handsMin: s.handsMin,
    })),
    product: sheet.product,
    byproducts: sheet.byproducts,
    balanceErrorPct: sheet.balance.errorPct,
    cautions: sheet.cautions,
    keepsDays: sheet.keeps?.days ?? null,
    nutritionPer100g: sheet.nutrition,
  };
};

/** A pot that holds a mass with its headspace, L: at the command line no pot is asked for. */
function potFor(massG: number): number {
  return Math.max(1, Math.ceil((massG / 1000) * 1.2));
}
