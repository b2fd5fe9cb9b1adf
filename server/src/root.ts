import { fileURLToPath } from 'node:url';

/** The folder of the project. */
export const ROOT = fileURLToPath(new URL('../..', import.meta.url));
