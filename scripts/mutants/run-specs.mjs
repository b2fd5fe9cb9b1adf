// Runs compiled specs with one mutant switched on (MUTANT, none where it is missing). Says whether they hold, and what they touched.
import fc from 'fast-check';
import Jasmine from 'jasmine';
import { writeFileSync } from 'node:fs';

const active = Number(process.env.MUTANT ?? -1);
const touched = new Set();
globalThis.__mutant = (id) => {
  touched.add(id);
  return id === active;
};
fc.configureGlobal({ seed: 46, numRuns: 50 });

const jasmine = new Jasmine();
jasmine.exitOnCompletion = false;
jasmine.loadConfig({ spec_dir: '/', spec_files: process.argv.slice(2), random: false, stopOnSpecFailure: true });
jasmine.clearReporters();
jasmine.addReporter({
  specDone: ({ status, fullName }) => status === 'failed' && process.stdout.write(`${fullName}\n`),
});
jasmine.env.configure({ random: false, stopOnSpecFailure: true });
jasmine.jasmine.DEFAULT_TIMEOUT_INTERVAL = 60_000;
const { overallStatus } = await jasmine.execute();
if (process.env.TOUCHED) writeFileSync(process.env.TOUCHED, JSON.stringify([...touched]));
process.exit(overallStatus === 'passed' ? 0 : 1);
