import { runs, USUAL_RUNS } from '@oat-crock/core/testing';
import fc from 'fast-check';

// Property tests draw the same cases on every machine: what failed once fails again, and a clean tree stays clean.
beforeAll(() => fc.configureGlobal({ seed: 46, numRuns: runs(USUAL_RUNS) }));
