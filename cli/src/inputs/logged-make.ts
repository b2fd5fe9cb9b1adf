import { bodySchemaFor, choicesOfAMake } from '@oat-crock/contract';
import Joi from 'joi';

const logMin = Joi.number().min(0).max(100_000);
const lineId = Joi.string().trim().min(1).max(40);

/** A make with its log, minutes from its start. */
export const loggedMake = {
  method: Joi.string().max(60).required(),
  choices: choicesOfAMake.default({}),
  log: Joi.array()
    .items(Joi.object({ id: lineId.required(), atMin: logMin.required(), body: bodySchemaFor(lineId).required() }))
    .min(1)
    .max(2000)
    .required(),
  nowMin: logMin.required(),
};
