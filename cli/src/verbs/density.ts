import { type Material, materialDensity, snfPct } from '@oat-crock/core';
import Joi from 'joi';
import { pct, tempC } from '../inputs/bounds.js';
import type { Verb } from '../verb.js';

const run = ({ material, tempC }: { material: Material; tempC: number }) => ({
  gPerMl: materialDensity(material, tempC),
  snfPct: snfPct(material),
});

/** Density of a milk or cream, g/mL, and its solids-not-fat, %. */
export const verb: Verb = {
  says: 'Density of a milk or cream, g/mL, and its solids-not-fat, %.',
  example: { material: { fatPct: 3.6, proteinPct: 3.3, lactosePct: 4.7, mineralsPct: 0.7 }, tempC: 20 },
  schema: Joi.object({
    material: Joi.object({
      fatPct: pct(0, 90).required(),
      proteinPct: pct(0, 40).required(),
      lactosePct: pct(0, 60).required(),
      mineralsPct: pct(0, 10).required(),
    })
      .required()
      .custom((m: Record<string, number>, helpers) =>
        Object.values(m).reduce((a, b) => a + b, 0) < 100 ? m : helpers.error('material.over'),
      )
      .messages({ 'material.over': '{{#label}} adds up to 100 % or more' }),
    tempC: tempC.required(),
  }),
  run,
};
