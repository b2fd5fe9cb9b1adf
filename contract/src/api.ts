/** The shapes that cross the wire, without the checks: what a first page may carry. */
export * from './api/entry.js';
export * from './api/instrument.js';
export * from './api/clock.js';
export * from './api/settings.js';
export * from './api/kept.js';
export * from './api/event.js';
export * from './api/makes.js';
export * from './api/archive.js';
export * from './api/access.js';
export * from './api/alerts.js';
export * from './api/backups.js';
export * from './api/figures.js';
export * from './api/orders.js';
export * from './api/planned-batch.js';
export * from './api/planning.js';
export * from './api/supplies.js';
export type { FieldProblem, Problem } from './problem.js';
export * from './api/cultures-file.js';
