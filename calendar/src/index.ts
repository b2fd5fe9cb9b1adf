/** Local hours, nights, working hours and weekly dues in a named time zone. Asks neither the machine's clock nor its zone. */
export * from './zone.js';
export * from './night.js';
export * from './people.js';
export * from './due-times.js';
export * from './room.js';
export * from './household.js';
export * from './plan-tasks.js';
export * from './calls.js';
export * from './logger-file.js';
