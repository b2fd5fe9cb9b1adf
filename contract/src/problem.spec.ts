import Joi from 'joi';
import { english } from '@oat-crock/messages';
import { check, InputRefused, problemIn, refusal } from './problem.js';

function errorsOf(schema: Joi.Schema, input: unknown) {
  try {
    check(schema, input);
    return [];
  } catch (error) {
    if (error instanceof InputRefused) return error.errors;
    throw error;
  }
}

describe('refusing input', () => {
  const schema = Joi.object({ a: Joi.number().min(1).required(), b: Joi.valid('x', 'y') });

  it('names every wrong field with its remedy', () => {
    expect(errorsOf(schema, { a: 0, b: 'z', c: 1 }).map((e) => [e.field, english(e.remedy)])).toEqual([
      ['a', 'Give 1 or more.'],
      ['b', 'Choose one of x, y.'],
      ['c', 'Leave it out.'],
    ]);
  });

  it('takes no text for a number and no NaN', () => {
    expect(errorsOf(schema, { a: '3' })[0]!.field).toBe('a');
    expect(errorsOf(schema, { a: Number.NaN })[0]!.field).toBe('a');
  });

  it('makes a problem document whose detail says the first thing to mend', () => {
    const document = problemIn(refusal(errorsOf(schema, {})), english);
    expect(document.status).toBe(422);
    expect(document.detail).toContain('Add it.');
  });

  it('refuses what was not sent at all, and tells of a hundred wrong fields at most', () => {
    expect(errorsOf(schema, undefined).map((e) => e.field)).toEqual(['(the whole)']);
    const wrong = (n: number) => errorsOf(Joi.array().items(Joi.number()), new Array<string>(n).fill('x')).length;
    expect([wrong(1), wrong(100), wrong(101), wrong(5000)]).toEqual([1, 100, 100, 100]);
  });

  it('lets right input through unchanged', () => {
    expect(check(schema, { a: 2 })).toEqual({ a: 2 });
  });
});
