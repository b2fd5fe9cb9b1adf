/** The shapes that cross the wire, without the checks: what a first page may carry. */
export * from './wire/entry.js';
export * from './wire/instrument.js';
export * from './wire/clock.js';
export * from './wire/settings.js';
export * from './wire/kept.js';
export * from './wire/event.js';
export * from './wire/orders.js';
export * from './wire/pours.js';
export * from './wire/planning.js';
export type { FieldProblem, Problem } from './problem.js';
export * from './wire/cultures-file.js';
