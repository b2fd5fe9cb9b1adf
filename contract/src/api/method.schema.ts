import type { Method, MethodFile } from '@oat-crock/core';
import Joi from 'joi';
import { tagged } from './tagged.js';
import { messageSchema } from './text.schema.js';

const key = Joi.string().pattern(/^[a-z][A-Za-z0-9-]{0,39}$/, 'key');
/** Words of somebody's own, or a message of the house. */
const said = (most: number, ...empty: readonly string[]) =>
  Joi.alternatives(
    Joi.string()
      .trim()
      .min(1)
      .max(most)
      .allow(...empty),
    messageSchema,
  );
const value = Joi.alternatives(Joi.number(), Joi.string().max(60));

const condition = Joi.alternatives(
  Joi.object({ choice: key.required(), above: Joi.number().required() }),
  Joi.object({ choice: key.required(), is: Joi.string().max(60).required() }),
  Joi.object({ choice: key.required(), not: Joi.string().max(60).required() }),
);
const conditions = Joi.alternatives(condition, Joi.array().items(condition).max(8));

const choice = {
  key: key.required(),
  label: said(80).required(),
  why: said(400, '').required(),
  onlyIf: conditions,
};

const choiceSchema = tagged('kind', {
  number: Joi.object({
    ...choice,
    kind: Joi.valid('number').required(),
    unit: Joi.string().allow('').max(20).required(),
    min: Joi.number().required(),
    max: Joi.number().required(),
    step: Joi.number().min(0).required(),
    initial: Joi.number().required(),
    nought: said(60),
  }),
  option: Joi.object({
    ...choice,
    kind: Joi.valid('option').required(),
    options: Joi.array()
      .items(
        Joi.object({
          id: Joi.string().max(60).required(),
          label: said(80).required(),
          why: said(400, '').required(),
        }),
      )
      .min(1)
      .max(40)
      .required(),
    lots: Joi.array().items(Joi.valid('milk', 'cream', 'powder', 'base', 'whey')),
    initial: Joi.string().max(60).required(),
    implied: Joi.object().pattern(key, Joi.string().max(60)),
  }),
});

const parameter = Joi.alternatives(
  value,
  Joi.object({ choice: key.required() }),
  Joi.object({ stock: key.required() }),
);

/** A method: what it asks, in groups, and its stages in order. */
export const methodSchema: Joi.ObjectSchema<Method> = Joi.object({
  id: Joi.string()
    .pattern(/^[A-Za-z0-9-]{1,60}$/, 'id')
    .required(),
  code: Joi.string().allow('').max(8).required(),
  name: said(80).required(),
  short: said(80).required(),
  family: said(40).required(),
  summary: said(400, '').required(),
  gives: Joi.valid('starter'),
  groups: Joi.array()
    .items(Joi.object({ title: said(40).required(), choices: Joi.array().items(choiceSchema).max(40).required() }))
    .max(20)
    .required(),
  stages: Joi.array()
    .items(
      Joi.object({
        id: key.required(),
        kind: key.required(),
        params: Joi.object().pattern(key, parameter).required(),
        onlyIf: conditions,
      }),
    )
    .min(1)
    .max(60)
    .required(),
});

/** An open method file. */
export const methodFileSchema: Joi.ObjectSchema<MethodFile> = Joi.object({
  oatCrock: Joi.valid('method').required(),
  version: Joi.valid(1).required(),
  method: methodSchema.required(),
});
