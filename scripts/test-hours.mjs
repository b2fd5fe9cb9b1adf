// The real page at any hour, in any zone: the whole end-to-end suite as if it were started at each of these moments.
//   npm run test:hours [-- --only N]      about six minutes a row on two cores; exit 1 where any of them fails
import { spawnSync } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt, ensureChromium, ensureInstalled, ROOT } from './lib.mjs';

/** Hours at which weeks, days and nights turn; nights in which clocks are changed, either way, either side of the equator; a leap day. */
const HOURS = [
  ['2026-05-04T00:05', 'UTC', 'Monday, five past midnight'],
  ['2026-05-06T05:50', 'Europe/Berlin', 'Wednesday, before anybody is up'],
  ['2026-05-08T16:00', 'America/St_Johns', 'Friday afternoon'],
  ['2026-05-09T23:55', 'Pacific/Auckland', 'Saturday, five to midnight'],
  ['2026-03-28T20:00', 'Europe/Berlin', 'clocks go forward in the night'],
  ['2026-10-31T20:00', 'America/St_Johns', 'clocks go back in the night'],
  ['2026-09-26T20:00', 'Pacific/Auckland', 'clocks go forward in the night, in the south'],
  ['2028-02-29T09:00', 'UTC', 'a leap day'],
];

ensureInstalled();
ensureBuilt();
ensureChromium();
const report = join(ROOT, 'test-results/e2e.json');
const only = process.argv.includes('--only') ? Number(process.argv.at(-1)) : null;

/** Names of the tests that failed in a report, each with what it failed on. */
const failedIn = (suite) => [
  ...(suite.specs ?? [])
    .filter((spec) => !spec.ok)
    .map((spec) => `${spec.title}\n${spec.tests.flatMap((t) => t.results.map(whyOf)).join('\n')}`),
  ...(suite.suites ?? []).flatMap(failedIn),
];

/** What a run of a test failed on: its first lines, without their colours, and where. */
function whyOf({ error }) {
  if (!error) return '';
  const said = (error.message ?? '').replace(/\u001b\[\d+m/g, '');
  const lines = said.split('\n').filter((line) => line.trim() !== '');
  const at = error.location ? `${error.location.file}:${error.location.line}` : '';
  return [at, ...lines.slice(0, 8)].map((line) => `    ${line}`).join('\n');
}

let failed = 0;
for (const [start, zone, what] of HOURS.filter((_, i) => only === null || i === only)) {
  rmSync(report, { force: true });
  const from = Date.now();
  spawnSync('npx', ['playwright', 'test', '--config=e2e/playwright.config.ts', '--reporter=json'], {
    cwd: ROOT,
    env: { ...process.env, E2E_START: start, E2E_ZONE: zone, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const { stats, suites } = JSON.parse(readFileSync(report, 'utf8'));
  failed += stats.unexpected + stats.flaky;
  const took = ((Date.now() - from) / 1000).toFixed(0);
  process.stdout.write(`${start} ${zone} (${what}): ${stats.expected} passed, ${stats.unexpected} failed, ${took} s\n`);
  for (const name of suites.flatMap(failedIn)) process.stdout.write(`  failed: ${name}\n`);
}
process.exit(failed === 0 ? 0 : 1);
