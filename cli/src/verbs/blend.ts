import { type BlendMaterial, type BlendTarget, cheapestBlend } from '@oat-crock/core';
import Joi from 'joi';
import { pct } from '../inputs/bounds.js';
import type { Verb } from '../verb.js';

const run = (i: { materials: BlendMaterial[]; target: BlendTarget }) => cheapestBlend(i.materials, i.target);

/** The cheapest blend of materials for a mass, fat and protein. */
export const verb: Verb = {
  says: 'The cheapest blend of materials for a mass, fat and protein; or the bound that cannot be met and the nearest blend.',
  example: {
    materials: [
      { name: 'whole milk', fatPct: 3.6, proteinPct: 3.3, pricePerKg: 1.3 },
      { name: 'skimmed milk', fatPct: 0.1, proteinPct: 3.45, pricePerKg: 1.1 },
      { name: 'cream', fatPct: 36, proteinPct: 2.1, pricePerKg: 6.4, maxG: 1000 },
    ],
    target: { massG: 4000, fatPct: 10 },
  },
  schema: Joi.object({
    materials: Joi.array()
      .items(
        Joi.object({
          name: Joi.string().trim().min(1).max(80).required(),
          fatPct: pct(0, 99.9).required(),
          proteinPct: pct(0, 99.9).required(),
          pricePerKg: Joi.number().min(0).max(100_000),
          maxG: Joi.number().min(0).max(10_000_000),
        }),
      )
      .min(1)
      .max(20)
      .required(),
    target: Joi.object({
      massG: Joi.number().greater(0).max(10_000_000).required(),
      fatPct: pct(0, 99.9),
      proteinPct: pct(0, 99.9),
    }).required(),
  }),
  run,
};
