import Joi from 'joi';

/** Picks the schema that an object's own tag names, so that an error speaks of the fields of that one. */
export function tagged(tag: string, schemas: Readonly<Record<string, Joi.ObjectSchema>>): Joi.AlternativesSchema {
  return Joi.alternatives().conditional(`.${tag}`, {
    switch: Object.entries(schemas).map(([is, then]) => ({ is, then })),
    otherwise: Joi.object({ [tag]: Joi.valid(...Object.keys(schemas)).required() }).unknown(true),
  });
}
