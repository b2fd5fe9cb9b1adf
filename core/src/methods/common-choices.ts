/** Groups of choices that many methods share. */
export * from './milk-choices.js';
export * from './heating-choices.js';
export * from './starter-choices.js';
export * from './keeping-choices.js';
export * from './money-choices.js';
