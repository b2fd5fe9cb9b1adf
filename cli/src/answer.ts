import { check } from '@oat-crock/contract';
import type { Verb } from './verb.js';

/**
 * One object in, one out: checks the input against the verb's shape and computes.
 * @throws InputRefused naming the field and the remedy
 */
export const answer = (verb: Verb, input: unknown): object => verb.run(check(verb.schema, input) as never);
