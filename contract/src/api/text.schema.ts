import type { Message, Text } from '@oat-crock/core';
import Joi from 'joi';

/** As much as a message may hold, letters of JSON. */
const LONGEST = 2000;

/** A message as plain data: which text, and what stands in it. A text that is not known any more is shown by its key. */
export const messageSchema: Joi.ObjectSchema<Message> = Joi.object({
  key: Joi.string()
    .pattern(/^[\w.-]+$/)
    .max(120)
    .required(),
  values: Joi.object()
    .unknown()
    .custom((values: object, helpers) =>
      JSON.stringify(values).length <= LONGEST ? values : helpers.error('message.long'),
    ),
});

/** Something said to people: a message, or a sentence as it was written down before there were messages. */
export const textSchema: Joi.AlternativesSchema<Text> = Joi.alternatives(Joi.string().max(600), messageSchema);
