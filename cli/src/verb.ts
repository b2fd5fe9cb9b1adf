import type Joi from 'joi';

/** One verb of the command line: what it says of itself, a worked example, the shape of what goes in, and what it computes. */
export interface Verb {
  readonly says: string;
  readonly example: object;
  readonly schema: Joi.ObjectSchema;
  /** Computes from checked input. @throws InputRefused naming the field and the remedy */
  run(input: never): object;
}
