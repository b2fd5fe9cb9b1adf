import { inEnglish } from '@oat-crock/messages';
import { choicesOf, makeSheet, methodById, type Pooled, SHEET_FORECAST } from '@oat-crock/core';
import { choicesOfAMake, InputRefused } from '@oat-crock/contract';
import Joi from 'joi';
import { learned } from '../inputs/learned.js';
import { refusing } from '../refusing.js';
import type { Verb } from '../verb.js';

const run = (i: { method: string; choices: Record<string, number | string>; massG: number; learned?: Pooled }) => {
  const sheet = refusing('method', () => {
    const method = methodById(i.method);
    const pot = choicesOf(method).some((c) => c.key === 'vesselL') ? { vesselL: potFor(i.massG) } : {};
    const known = i.learned && { learned: i.learned };
    return makeSheet(method, { ...pot, ...i.choices, massG: i.massG }, SHEET_FORECAST, { known });
  });
  if (sheet.problems.length > 0) {
    throw new InputRefused(
      inEnglish(sheet.problems).map((p) => ({ field: `choices.${p.field}`, message: p.message, remedy: p.remedy })),
    );
  }
  return {
    stages: sheet.stages.map((s) => ({
      kind: s.kind,
      startMin: s.beginMin,
      endMin: s.endMin,
      handsMin: s.handsMin,
    })),
    product: inEnglish(sheet.product),
    byproducts: inEnglish(sheet.byproducts),
    balanceErrorPct: sheet.balance.errorPct,
    cautions: inEnglish(sheet.cautions),
    keepsDays: sheet.keeps?.days ?? null,
    nutritionPer100g: sheet.nutrition,
  };
};

/** A pot that holds a mass with its headspace, L: at the command line no pot is asked for. */
function potFor(massG: number): number {
  return Math.max(1, Math.ceil((massG / 1000) * 1.2));
}

/** A whole make. */
export const verb: Verb = {
  says: 'A whole make: stages, product, by-products, balance, cautions, food values.',
  example: { method: 'strained-yogurt', choices: { fatPct: 5, texture: 'spreadable' }, massG: 4000 },
  schema: Joi.object({
    method: Joi.string().max(60).required(),
    choices: choicesOfAMake.default({}),
    massG: Joi.number().min(250).max(60_000).required(),
    learned,
  }),
  run,
};
