import type { Text } from '@oat-crock/core';
import type Joi from 'joi';

/** What is wrong with one field, and what would be right. */
export interface FieldProblem {
  readonly field: string;
  readonly message: Text;
  readonly remedy: Text;
}

/** An error as it crosses the wire (RFC 9457, application/problem+json), naming the field and the remedy. */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly errors: readonly FieldProblem[];
  /** What stands there now, where an edit came too late. */
  readonly current?: unknown;
}

/** Thrown wherever input is refused. */
export class InputRefused extends Error {
  constructor(readonly errors: readonly FieldProblem[]) {
    super(errors.map((e) => `${e.field}: ${e.message}`).join('; '));
    this.name = 'InputRefused';
  }
}

/** The problem document for refused input. */
export function refusal(errors: readonly FieldProblem[], status = 422): Problem {
  const first = errors[0];
  return {
    type: 'urn:oat-crock:refused',
    title: 'Something in this cannot be right',
    status,
    detail: first ? `${first.message} ${first.remedy}` : 'The input was refused.',
    errors,
  };
}

/** A problem that is not about a field. */
export function problem(status: number, title: string, detail: string): Problem {
  return { type: 'about:blank', title, status, detail, errors: [] };
}

/**
 * Checks input against a schema.
 * @throws InputRefused with every field that is wrong, its remedy beside it
 */
export function check<T>(schema: Joi.Schema<T>, input: unknown): T {
  const { value, error } = schema.validate(input, { abortEarly: false, convert: false });
  if (error) throw new InputRefused(fieldProblems(error));
  return value as T;
}

/** The fields a Joi error names, in words. */
export function fieldProblems(error: Joi.ValidationError): FieldProblem[] {
  return error.details.map((detail) => ({
    field: detail.path.join('.') || '(the whole)',
    message: `${detail.message.replace(/"/g, '')}.`,
    remedy: remedyOf(detail),
  }));
}

type Remedy = (context: Record<string, unknown>) => string;

/** What to do about each kind of refusal Joi knows. */
const REMEDIES: Readonly<Record<string, Remedy>> = {
  'any.required': () => 'Add it.',
  'zone.unknown': () => 'Give one like Europe/Berlin.',
  'object.unknown': () => 'Leave it out; it is not known here.',
  'number.base': () => 'Give a number.',
  'number.integer': () => 'Give a whole number.',
  'number.min': (c) => `Give ${String(c['limit'])} or more.`,
  'number.max': (c) => `Give ${String(c['limit'])} or less.`,
  'number.greater': (c) => `Give more than ${String(c['limit'])}.`,
  'number.unsafe': () => 'Give a number of ordinary size.',
  'number.infinity': () => 'Give a finite number.',
  'any.only': (c) => `Choose one of ${(c['valids'] as unknown[]).join(', ')}.`,
  'array.min': (c) => `Give at least ${String(c['limit'])}.`,
  'array.max': (c) => `Give at most ${String(c['limit'])}.`,
  'string.max': (c) => `Keep it to ${String(c['limit'])} characters.`,
  'string.empty': () => 'Write something.',
  'material.tooMuch': () => 'Look at the label again: the figures are for 100 g.',
  'date.format': () => 'Give a day, like 2026-05-02.',
  'string.isoDate': () => 'Give a day, like 2026-05-02.',
  'object.missing': (c) => `Give one of ${(c['peers'] as string[]).join(' or ')}.`,
  'object.xor': (c) => `Give only one of ${(c['peers'] as string[]).join(', ')}.`,
};

function remedyOf(detail: Joi.ValidationErrorItem): string {
  return REMEDIES[detail.type]?.(detail.context ?? {}) ?? 'Check its form.';
}
