import { amount, listOf, percent, say, type Message, type Text, type Value } from '@oat-crock/core';
import type Joi from 'joi';

/** What is wrong with one field, and what would be right. */
export interface FieldProblem {
  readonly field: string;
  readonly message: Text;
  readonly remedy: Text;
}

/** An error as it is found: what is said of it is not in anybody's words yet. */
export interface ProblemFound {
  readonly type: string;
  readonly status: number;
  readonly title: Text;
  readonly detail: Text;
  readonly errors: readonly FieldProblem[];
  /** What stands there now, where an edit came too late. */
  readonly current?: unknown;
}

/** An error as it crosses the wire (RFC 9457, application/problem+json), naming the field and the remedy. */
export interface Problem extends ProblemFound {
  readonly title: string;
  readonly detail: string;
  readonly errors: readonly (FieldProblem & { readonly message: string; readonly remedy: string })[];
}

/** An error in the words of whoever asked. */
export function problemIn({ title, detail, errors, ...rest }: ProblemFound, words: (text: Text) => string): Problem {
  return {
    ...rest,
    title: words(title),
    detail: words(detail),
    errors: errors.map(({ field, message, remedy }) => ({ field, message: words(message), remedy: words(remedy) })),
  };
}

/** Thrown wherever input is refused. */
export class InputRefused extends Error {
  constructor(readonly errors: readonly FieldProblem[]) {
    super(
      errors.map(({ field, message }) => `${field}: ${typeof message === 'string' ? message : message.key}`).join('; '),
    );
    this.name = 'InputRefused';
  }
}

/** The problem of refused input. */
export function refusal(errors: readonly FieldProblem[], status = 422): ProblemFound {
  const [first] = errors;
  return {
    type: 'urn:oat-crock:refused',
    title: say('problem.refused'),
    status,
    detail: first
      ? say('problem.firstOf', { field: first.field, message: first.message, remedy: first.remedy })
      : say('problem.inputRefused'),
    errors,
  };
}

/** A problem that is not about a field. */
export function problem(status: number, title: Text, detail: Text): ProblemFound {
  return { type: 'about:blank', title, status, detail, errors: [] };
}

/** So many fields that are wrong are told at once: who sends thousands is told of the first of them. */
export const MOST_TOLD = 100;

/**
 * Checks input against a schema.
 * @throws InputRefused with every field that is wrong (the first hundred of them), its remedy beside it
 */
export function check<T>(schema: Joi.Schema<T>, input: unknown): T {
  // What was not sent at all is refused as well.
  const { value, error } = schema.required().validate(input, { abortEarly: false, convert: false });
  if (error) throw new InputRefused(fieldProblems(error).slice(0, MOST_TOLD));
  return value as T;
}

/** The fields a Joi error names, and what is wrong with each. */
export function fieldProblems(error: Joi.ValidationError): FieldProblem[] {
  return error.details.map((detail) => ({
    field: detail.path.join('.') || WHOLE,
    ...(KINDS[detail.type] ?? UNKNOWN)(contextOf(detail)),
  }));
}

/** What a problem of the whole input is about. */
const WHOLE = '(the whole)';

/** What Joi tells of a refusal: its limit, what would be allowed. */
interface Context {
  readonly limit: Value;
  readonly allowed: Value;
  readonly peers: readonly string[];
  readonly solids: Value;
}

function contextOf({ context }: Joi.ValidationErrorItem): Context {
  const { limit, valids, peers, solids } = (context ?? {}) as Record<string, unknown>;
  return {
    limit: typeof limit === 'number' ? amount(limit) : String(limit).replace(/^ref:/, ''),
    allowed: listOf(((valids as unknown[] | undefined) ?? []).map(String), 'comma'),
    peers: (peers as string[] | undefined) ?? [],
    solids: percent(Number(solids)),
  };
}

type Said = (context: Context) => { readonly message: Message; readonly remedy: Message };

const UNKNOWN: Said = () => ({
  message: say('problem.notRight'),
  remedy: say('problem.checkForm'),
});

/** What each kind of refusal that Joi knows says, and what to do about it. */
const KINDS: Readonly<Record<string, Said>> = {
  'any.required': () => ({ message: say('problem.required'), remedy: say('problem.addIt') }),
  'any.only': ({ allowed }) => ({
    message: say('problem.only'),
    remedy: say('problem.chooseOne', { allowed }),
  }),
  'any.invalid': UNKNOWN,
  'any.unknown': () => ({ message: say('problem.notAllowed'), remedy: say('problem.leaveOut') }),
  'object.unknown': () => ({ message: say('problem.notAllowed'), remedy: say('problem.leaveOut') }),
  'object.missing': ({ peers }) => ({
    message: say('problem.missing'),
    remedy: say('problem.giveOneOf', { peers: listOf(peers, 'or') }),
  }),
  'object.xor': ({ peers }) => ({
    message: say('problem.together'),
    remedy: say('problem.giveOnlyOne', { peers: listOf(peers, 'comma') }),
  }),
  'number.base': () => ({ message: say('problem.number'), remedy: say('problem.giveNumber') }),
  'number.integer': () => ({ message: say('problem.integer'), remedy: say('problem.giveInteger') }),
  'number.min': ({ limit }) => ({
    message: say('problem.tooLittle'),
    remedy: say('problem.giveOrMore', { limit }),
  }),
  'number.max': ({ limit }) => ({
    message: say('problem.tooMuch'),
    remedy: say('problem.giveOrLess', { limit }),
  }),
  'number.greater': ({ limit }) => ({
    message: say('problem.tooLittle'),
    remedy: say('problem.giveMoreThan', { limit }),
  }),
  'number.unsafe': () => ({ message: say('problem.tooMuch'), remedy: say('problem.giveOrdinary') }),
  'number.infinity': () => ({ message: say('problem.number'), remedy: say('problem.giveFinite') }),
  'string.base': () => ({ message: say('problem.text'), remedy: say('problem.giveText') }),
  'string.empty': () => ({ message: say('problem.empty'), remedy: say('problem.writeSomething') }),
  'string.max': ({ limit }) => ({
    message: say('problem.tooLong'),
    remedy: say('problem.keepTo', { limit }),
  }),
  'string.isoDate': () => ({ message: say('problem.day'), remedy: say('problem.giveDay') }),
  'date.format': () => ({ message: say('problem.day'), remedy: say('problem.giveDay') }),
  'array.min': ({ limit }) => ({
    message: say('problem.tooFew'),
    remedy: say('problem.giveAtLeast', { limit }),
  }),
  'array.max': ({ limit }) => ({
    message: say('problem.tooMany'),
    remedy: say('problem.giveAtMost', { limit }),
  }),
  'zone.unknown': () => ({ message: say('problem.zone'), remedy: say('problem.giveZone') }),
  'labels.overThePage': () => ({ message: say('problem.labelsOver'), remedy: say('problem.fewerLabels') }),
  'planned.tooFar': () => ({ message: say('problem.tooFar'), remedy: say('problem.giveNearerStart') }),
  'away.backBefore': () => ({ message: say('problem.backBefore'), remedy: say('problem.giveLater') }),
  'material.tooMuch': ({ solids }) => ({
    message: say('problem.material', { solids }),
    remedy: say('problem.lookAtLabel'),
  }),
};
