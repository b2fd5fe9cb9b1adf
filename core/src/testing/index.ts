/** What tests of other workspaces may ask of the engine's own. */
export * from './figures.js';
export * from './same-everywhere.js';
export * from './cultured.js';
export * from './instances.js';
export * from './best-known.js';
export * from './tight-weeks.js';
export * from './weeks.js';
export * from './runs.js';
export * from './outright.js';
