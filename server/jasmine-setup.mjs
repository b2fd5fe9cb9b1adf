import { runs, USUAL_RUNS } from '@oat-crock/core/testing';
import fc from 'fast-check';
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

// Slow machines are not broken ones.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 60_000;

globalThis.oatCrockDeep = process.env.OAT_CROCK_DEEP === '1';

// Property tests draw the same cases on every machine: what failed once fails again, and a clean tree stays clean.
fc.configureGlobal({ seed: 46, numRuns: runs(USUAL_RUNS) });

/** Writes down how long each test took, for the list of the slowest: [{ name, ms }]. */
const report = join(dirname(fileURLToPath(import.meta.url)), '..', 'test-results', 'jasmine.json');
const took = [];
jasmine.getEnv().addReporter({
  specDone: ({ fullName, duration, status }) => {
    if (status !== 'excluded') took.push({ name: fullName, ms: duration ?? 0 });
  },
  jasmineDone: () => {
    mkdirSync(dirname(report), { recursive: true });
    writeFileSync(report, JSON.stringify(took));
  },
});
