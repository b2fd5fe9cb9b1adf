/** How what the engine says reads: in a language, a household's units and its zone. */
export * from './reader.js';
export * from './language.js';
export * from './languages.js';
export * from './render.js';
export * from './quantities.js';
export * from './english.js';
