/** The engine at the command line: its verbs, what they take, worked examples, and how one is run. */
export * from './schemas.js';
export * from './examples.js';
export * from './cli.js';
