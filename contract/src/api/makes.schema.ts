import { MAKE_STATES } from '@oat-crock/core';
import Joi from 'joi';
import { moment, ulid } from './entry-parts.js';
import { MAKES_SORTED_BY, type MakesAsked } from './makes.js';

/** A list in an address: its items with commas between. */
const listed = (item: Joi.Schema) =>
  Joi.alternatives(
    Joi.array().items(item),
    Joi.string()
      .allow('')
      .max(200)
      .custom((value: string) => Joi.attempt(value.split(',').filter(Boolean), Joi.array().items(item))),
  );

/** The most lines that are told at once. */
export const MAKES_AT_ONCE = 500;

/** Whose figures an address asks for: of a method, or of some makes; of the method with most makes where nothing is said. */
export const figuresSchema: Joi.ObjectSchema<{ methodId: string | null; of: string[] }> = Joi.object({
  methodId: Joi.string().max(60).default(null),
  of: listed(ulid).default([]),
}).prefs({ convert: true });

/** Whether an archive is only tried: what would come of it is told, and nothing written. */
export const dryRunSchema: Joi.ObjectSchema<{ dry: boolean }> = Joi.object({
  dry: Joi.boolean().default(false),
}).prefs({ convert: true });

/** What makes an address asks for: `?find=upper%20path&states=here,held&sort=made&take=100`. */
export const makesSchema: Joi.ObjectSchema<MakesAsked> = Joi.object({
  find: Joi.string().allow('').max(200).default(''),
  states: listed(Joi.valid(...MAKE_STATES)).default([]),
  methodId: Joi.string().max(60).default(null),
  fromMs: moment.default(null),
  untilMs: moment.default(null),
  taste: Joi.number().integer().min(1).max(5).default(null),
  sort: Joi.valid(...MAKES_SORTED_BY).default('started'),
  descending: Joi.boolean().default(true),
  skip: Joi.number().integer().min(0).max(1_000_000).default(0),
  take: Joi.number().integer().min(0).max(MAKES_AT_ONCE).default(100),
}).prefs({ convert: true });
