import Joi from 'joi';
import { ulid } from './entry-parts.js';

/** The id of a picture, made by whoever sends it. */
export const photoIdSchema: Joi.ObjectSchema<{ id: string }> = Joi.object({ id: ulid.required() });
