/** The engine at the command line: its verbs, each with what it takes and a worked example, and how one is run. */
export * from './verb.js';
export * from './verbs.js';
export * from './cli.js';
