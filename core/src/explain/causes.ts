import { OF_CURD } from './causes-of-curd.js';
import { OF_MILK } from './causes-of-milk.js';
import { OF_SOURING } from './causes-of-souring.js';

/** Every cause, by its name in the table of faults. */
export const CAUSES = { ...OF_SOURING, ...OF_MILK, ...OF_CURD } as const;

export type CauseId = keyof typeof CAUSES;
