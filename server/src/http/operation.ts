import type Joi from 'joi';

/** Something that can be asked of the server, as its documentation has it. */
export interface Operation {
  readonly path: string;
  readonly method: 'get' | 'put' | 'post' | 'delete';
  readonly summary: string;
  readonly query?: Joi.ObjectSchema;
  readonly body?: Joi.Schema;
  readonly answers: Readonly<Record<string, string>>;
}
