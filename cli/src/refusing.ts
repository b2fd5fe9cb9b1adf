import { SaidError } from '@oat-crock/core';
import { InputRefused } from '@oat-crock/contract';

/** Turns the engine's own refusal of a name or a value into one that names the field. */
export function refusing<T>(field: string, compute: () => T, choices = 'choices'): T {
  try {
    return compute();
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    const named = /^"(\w+)"/.exec(error.message)?.[1];
    const where = named ? `${choices}.${named}` : field;
    throw new InputRefused([
      {
        field: where,
        message: error instanceof SaidError ? error.says : `${error.message}.`,
        remedy: 'Choose what is offered.',
      },
    ]);
  }
}
