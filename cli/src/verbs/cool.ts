import {
  type CoolingMethod,
  coolingMinutes,
  coolingSurroundings,
  massesOfMaterial,
  materialFromLabel,
} from '@oat-crock/core';
import Joi from 'joi';
import type { Verb } from '../verb.js';

const run = (i: { volumeMl: number; startC: number; targetC: number; roomC: number; method: CoolingMethod }) => ({
  min: coolingMinutes(
    massesOfMaterial(materialFromLabel(3.6, 3.3), i.volumeMl * 1.03),
    i.startC,
    i.targetC,
    coolingSurroundings(i.method, i.volumeMl, i.roomC),
  ),
});

/** Minutes to cool a pot of milk. */
export const verb: Verb = {
  says: 'Minutes to cool a pot of milk; null where it never gets there.',
  example: { volumeMl: 4000, startC: 90, targetC: 45, roomC: 20, method: 'covered' },
  schema: Joi.object({
    volumeMl: Joi.number().min(50).max(200_000).required(),
    startC: Joi.number().min(0).max(100).required(),
    targetC: Joi.number().min(0).max(100).required(),
    roomC: Joi.number().min(-10).max(45).required(),
    method: Joi.valid('covered', 'open', 'water-bath', 'ice-bath', 'refrigerator', 'flask').required(),
  }),
  run,
};
