// Everything that must hold: lint, types, the unit tests of every part, and the real page in Chromium.
import { spawn } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt, ensureChromium, ensureInstalled, ROOT } from './lib.mjs';

ensureInstalled();
const chromium = ensureChromium();
const env = { ...process.env, CHROME_BIN: chromium, NG_CLI_ANALYTICS: 'false' };

/** Runs a command, shows what it prints, and gives back its text and exit code. */
function run(title, command, args) {
  process.stdout.write(`\n— ${title}\n`);
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, env, stdio: ['ignore', 'pipe', 'pipe'] });
    let text = '';
    for (const stream of [child.stdout, child.stderr]) {
      stream.on('data', (data) => {
        text += data;
        process.stdout.write(data);
      });
    }
    child.on('close', (code) => resolve({ code, text }));
  });
}

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
  try {
    const { stats } = JSON.parse(readFileSync(join(ROOT, 'test-results/e2e.json'), 'utf8'));
    const failed = stats.unexpected + stats.flaky || (code === 0 ? 0 : 1);
    return { passed: stats.expected, failed };
  } catch {
    return { passed: 0, failed: 1 };
  }
}

rmSync(join(ROOT, 'test-results'), { recursive: true, force: true });
const counts = [];
counts.push(whole(await run('Lint', 'npx', ['eslint', '.'])));
counts.push(whole(await run('Form', 'npx', ['prettier', '--check', '--log-level', 'warn', '.'])));
counts.push(karmaCounts(await run('Engine, contract and page in Chromium (Karma)', 'npx', ['ng', 'test'])));
ensureBuilt();
counts.push(
  jasmineCounts(
    await run('Server and door on Node (Jasmine)', process.execPath, [
      '--conditions=source',
      '--import',
      'tsx',
      'node_modules/jasmine/bin/jasmine.js',
      '--config=server/jasmine.json',
    ]),
  ),
);
counts.push(
  playwrightCounts(
    await run('The real page (Playwright)', 'npx', ['playwright', 'test', '--config=e2e/playwright.config.ts']),
  ),
);

const passed = counts.reduce((sum, c) => sum + c.passed, 0);
const failed = counts.reduce((sum, c) => sum + c.failed, 0);
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
