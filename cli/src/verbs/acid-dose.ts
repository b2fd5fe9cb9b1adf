import { english } from '@oat-crock/messages';
import { say, acidDose as doseOf, SOUR_AGENT_IDS, SOUR_AGENTS, type SourAgentId } from '@oat-crock/core';
import { InputRefused } from '@oat-crock/contract';
import Joi from 'joi';
import { pct } from '../inputs/bounds.js';
import { milkOf } from '../milk-of.js';
import type { Verb } from '../verb.js';

const run = (i: { massG: number; proteinPct: number; targetPh: number; acid: SourAgentId; strengthPct?: number }) => {
  const agent = SOUR_AGENTS[i.acid];
  const strengthPct = i.strengthPct ?? agent.strengthPct;
  if (strengthPct < agent.weakestPct || strengthPct > agent.strongestPct) {
    throw new InputRefused([
      {
        field: 'strengthPct',
        message: `${english(say('good.acidTitle', { agent: i.acid }))} of ${strengthPct} % is not to be had.`,
        remedy: `Give ${agent.weakestPct} to ${agent.strongestPct} %; ${agent.strengthPct} % is usual.`,
      },
    ]);
  }
  const { massG, ml, reserve } = doseOf(i.massG, milkOf(i.proteinPct), {}, i.acid, strengthPct, i.targetPh);
  return ml === null ? { g: massG, reserve } : { ml, reserve };
};

/** Lemon juice or vinegar (mL), citric or tartaric acid (g), for a pH, and what to keep by. Strength is percent by mass. */
export const verb: Verb = {
  says: 'Lemon juice or vinegar (mL), citric or tartaric acid (g), for a pH, and what to keep by. Strength is percent by mass.',
  example: { massG: 1031, proteinPct: 3.3, targetPh: 5.4, acid: 'lemon', strengthPct: 5.5 },
  schema: Joi.object({
    massG: Joi.number().greater(0).max(200_000).required(),
    proteinPct: pct(0.5, 12).required(),
    targetPh: Joi.number().min(3.6).max(6.6).required(),
    acid: Joi.valid(...SOUR_AGENT_IDS).required(),
    strengthPct: pct(0.1, 100),
  }),
  run,
};
