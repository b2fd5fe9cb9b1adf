// Everything that must hold: lint, types, the unit tests of every part, and the real page in Chromium.
// Two of them run side by side, on two cores; the real page comes last and has both. --deep runs property tests whole.
import { spawn } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureChromium, ensureCompiled, ensureInstalled, ROOT } from './lib.mjs';

const deep = process.argv.includes('--deep');
ensureInstalled();
const chromium = ensureChromium();
const env = { ...process.env, CHROME_BIN: chromium, NG_CLI_ANALYTICS: 'false', ...(deep && { OAT_CROCK_DEEP: '1' }) };
const REPORTS = join(ROOT, 'test-results');
const began = Date.now();

/** Runs a command and gives back its text and exit code; what it prints is shown once it is over, whole. */
function run(title, command, args) {
  const from = Date.now();
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, env, stdio: ['ignore', 'pipe', 'pipe'] });
    let text = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (text += data));
    child.on('close', (code) => {
      process.stdout.write(`\n— ${title} (${seconds(Date.now() - from)})\n${text}`);
      resolve({ code, text });
    });
  });
}

const seconds = (ms) => `${(ms / 1000).toFixed(0)} s`;

/** A check without counts of its own: one passed or one failed. */
const whole = ({ code }) => ({ passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 });

/** The last "Executed n of m (k FAILED)" of Karma; a run that never closed counts as one failure. */
function karmaCounts({ code, text }) {
  const last = [...text.matchAll(/Executed (\d+) of (\d+)(?: \((\d+) FAILED\))?/g)].at(-1);
  if (!last) return { passed: 0, failed: 1 };
  const failed = Number(last[3] ?? 0) || (code === 0 ? 0 : 1);
  return { passed: Number(last[1]) - Number(last[3] ?? 0), failed };
}

/** "n specs, m failures" of Jasmine on Node. */
function jasmineCounts({ code, text }) {
  const last = [...text.matchAll(/(\d+) specs?, (\d+) failures?/g)].at(-1);
  if (!last) return { passed: 0, failed: 1 };
  const failed = Number(last[2]) || (code === 0 ? 0 : 1);
  return { passed: Number(last[1]) - Number(last[2]), failed };
}

/** Playwright's own report, as JSON. */
function playwrightCounts({ code }) {
  const report = reportOf('e2e');
  if (!report) return { passed: 0, failed: 1 };
  const { stats } = report;
  return { passed: stats.expected, failed: stats.unexpected + stats.flaky || (code === 0 ? 0 : 1) };
}

function reportOf(name) {
  const file = join(REPORTS, `${name}.json`);
  return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
}

/** Every test of Playwright's report with how long it took: [{ name, ms }]. */
function durationsIn(suite) {
  const own = (suite.specs ?? []).map(({ title, tests }) => ({
    name: title,
    ms: tests.flatMap((t) => t.results).reduce((sum, r) => sum + r.duration, 0),
  }));
  return [...own, ...(suite.suites ?? []).flatMap(durationsIn)];
}

/** Without it every test of the real page would wait its whole time for a page that never comes. */
const pageIsBuilt = () => existsSync(join(ROOT, 'web', 'dist', 'browser', 'index.html'));

function printSlowest() {
  const all = [...(reportOf('karma') ?? []), ...(reportOf('jasmine') ?? []), ...durationsIn(reportOf('e2e') ?? {})];
  const slowest = all.sort((a, b) => b.ms - a.ms).slice(0, 10);
  process.stdout.write(`\nThe ten slowest, of ${seconds(Date.now() - began)} in all:\n`);
  for (const { name, ms } of slowest) process.stdout.write(`${seconds(ms).padStart(6)}  ${name}\n`);
}

rmSync(REPORTS, { recursive: true, force: true });
const counts = [];
const take = async (kind, ...command) => counts.push(kind(await run(...command)));

/** What may run beside anything else, the longest first: each core takes the next of them. */
const SIDE_BY_SIDE = [
  [karmaCounts, 'Engine, contract, calendar, command line and page in Chromium (Karma)', 'npx', ['ng', 'test']],
  [whole, 'The page, built', process.execPath, ['scripts/build.mjs']],
  [whole, 'Lint', 'npx', ['eslint', '.']],
  [
    jasmineCounts,
    'Server and command line on Node (Jasmine)',
    process.execPath,
    ['--conditions=source', '--import', 'tsx', 'node_modules/jasmine/bin/jasmine.js', '--config=server/jasmine.json'],
  ],
  [whole, 'Texts', process.execPath, ['scripts/messages.mjs', '--check']],
  [whole, 'Form', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']],
  [whole, 'Types of the tests of the real page', 'npx', ['tsc', '-p', 'e2e/tsconfig.json']],
];

async function lane(jobs) {
  for (let job = jobs.shift(); job; job = jobs.shift()) await take(...job);
}

ensureCompiled();
const jobs = [...SIDE_BY_SIDE];
await Promise.all([lane(jobs), lane(jobs)]);
if (pageIsBuilt()) {
  await take(playwrightCounts, 'The real page (Playwright)', 'npx', [
    'playwright',
    'test',
    '--config=e2e/playwright.config.ts',
  ]);
} else {
  process.stdout.write('\n— The real page (Playwright)\nNot tried: the page was not built.\n');
  counts.push({ passed: 0, failed: 1 });
}

printSlowest();
const passed = counts.reduce((sum, c) => sum + c.passed, 0);
const failed = counts.reduce((sum, c) => sum + c.failed, 0);
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
