import { bufferValue, lacticForPh, MOLAR_G, phForLactic, titratableAcidity } from '@oat-crock/core';
import Joi from 'joi';
import { pct } from '../inputs/bounds.js';
import { milkOf } from '../milk-of.js';
import type { Verb } from '../verb.js';

const run = (i: { proteinPct: number; ph?: number; lacticPct?: number }) => {
  const milk = milkOf(i.proteinPct);
  const ph = i.ph ?? phForLactic(milk, (i.lacticPct! * 10) / MOLAR_G.lactic);
  return {
    ph,
    lacticPct: (lacticForPh(milk, ph) * MOLAR_G.lactic) / 10,
    taPct: titratableAcidity(milk, ph).pctLactic,
    bufferMmolPerKgPh: bufferValue(milk, ph),
  };
};

/** pH, lactic acid formed (%), titratable acidity (% as lactic) and buffer value of a soured milk. */
export const verb: Verb = {
  says: 'pH, lactic acid formed (%), titratable acidity (% as lactic) and buffer value of a soured milk.',
  example: { proteinPct: 3.3, ph: 4.6 },
  schema: Joi.object({
    proteinPct: pct(0.5, 12).required(),
    ph: Joi.number().min(3.2).max(6.65),
    lacticPct: pct(0, 3),
  }).xor('ph', 'lacticPct'),
  run,
};
