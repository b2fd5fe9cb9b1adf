/** What crosses the wire, the file and the door: shapes, checks and errors. */
export * from './problem.js';
export * from './wire/entry.js';
export * from './wire/entry.schema.js';
export * from './wire/instrument.js';
export * from './wire/instrument.schema.js';
export * from './wire/clock.js';
export * from './wire/clock.schema.js';
export * from './wire/settings.js';
export * from './wire/settings.schema.js';
export * from './wire/entry-parts.js';
export * from './wire/kept.js';
export * from './wire/larder.schema.js';
export * from './wire/event.js';
export * from './wire/night.js';
export * from './door/schemas.js';
export * from './door/examples.js';
export * from './door/door.js';
