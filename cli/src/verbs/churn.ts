import { churnBalance, churnTrouble } from '@oat-crock/core';
import { InputRefused } from '@oat-crock/contract';
import Joi from 'joi';
import { pct } from '../inputs/bounds.js';
import type { Verb } from '../verb.js';

/** What is wrong with a cream that will not break, and what to do. */
const TROUBLE = {
  'too cold': { field: 'tempC', message: 'So cold it foams for ever.', remedy: 'Temper it to 10 to 14 °C.' },
  'too warm': { field: 'tempC', message: 'So warm it turns to grease.', remedy: 'Chill it to 10 to 14 °C.' },
  'too lean': { field: 'fatPct', message: 'Too little fat to clump.', remedy: 'Take cream of 30 % fat or more.' },
} as const;

const run = (i: { massG: number; fatPct: number; tempC: number; butterFatPct: number }) => {
  const trouble = churnTrouble(i);
  if (trouble) throw new InputRefused([TROUBLE[trouble]]);
  const { butterG, buttermilkG, buttermilkFatPct, minutes } = churnBalance(i, i.butterFatPct);
  return { butterG, buttermilkG, buttermilkFatPct, minutes };
};

/** Butter and buttermilk from cream, by the balance of fat, before handling losses. */
export const verb: Verb = {
  says: 'Butter and buttermilk from cream, by the balance of fat, before handling losses; minutes until it breaks.',
  example: { massG: 995, fatPct: 36, tempC: 12, butterFatPct: 82 },
  schema: Joi.object({
    massG: Joi.number().min(10).max(200_000).required(),
    fatPct: pct(0, 70).required(),
    tempC: Joi.number().min(0).max(45).required(),
    butterFatPct: pct(78, 87).required(),
  }),
  run,
};
