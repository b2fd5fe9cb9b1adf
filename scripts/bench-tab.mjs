// How an open tab does while a probe reads ten times a second: frames, long tasks, memory, the file's growth; and how soon a
// line written on one page stands on another. Minutes as the argument, 2 unless said: `node scripts/bench-tab.mjs 60`.
import Database from 'better-sqlite3';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt, ensureChromium, ensureInstalled, ROOT } from './lib.mjs';

ensureInstalled();
ensureBuilt();
const { chromium } = await import('@playwright/test');

const MINUTES = Number(process.argv[2] ?? 2);
const RATE = Number(process.argv[3] ?? 1);
const SAMPLES = 10;
const folder = mkdtempSync(join(tmpdir(), 'oat-crock-tab-'));
const file = join(folder, 'd.sqlite');
const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.js'), '--demo'], {
  env: { ...process.env, OAT_CROCK_DB: file, OAT_CROCK_PORT: '0' },
  stdio: ['ignore', 'pipe', 'inherit'],
});
const address = await new Promise((resolve) =>
  server.stdout.on('data', (d) => /http:\/\/[\d.:]+/.exec(String(d)) && resolve(/http:\/\/[\d.:]+/.exec(String(d))[0])),
);
const PROBE = 'thermometer-a';
const db = new Database(file, { readonly: true });
const { token, batch_id: batchId } = db.prepare('SELECT * FROM instrument WHERE id = ?').get(PROBE);
const kept = () => db.prepare('SELECT count(*) AS n FROM entry WHERE source = ?').get(PROBE).n;
const bytes = () => db.pragma('page_count', { simple: true }) * db.pragma('page_size', { simple: true });
const api = (path, init) => fetch(`${address}/api/v1/${path}`, init).then((r) => r.json());
if (RATE !== 1) {
  const headers = { 'content-type': 'application/json' };
  await api('clock', { method: 'PUT', headers, body: JSON.stringify({ rate: RATE }) });
}

const openedMs = (await api('health')).nowMs;
const openedAt = performance.now();
const browser = await chromium.launch({ executablePath: ensureChromium(), args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const other = await (await browser.newContext()).newPage();
await page.goto(`${address}/make/${batchId}`);
await page.waitForSelector('oc-balance-table');
await other.goto(`${address}/make/${batchId}`);
await other.waitForSelector('oc-log-list li');
await page.evaluate(() => {
  const seen = { frames: 0, slow: 0, longestMs: 0, longTasks: 0, longestTaskMs: 0 };
  globalThis.seen = seen;
  let last = performance.now();
  const frame = (now) => {
    const tookMs = now - last;
    last = now;
    seen.frames++;
    if (tookMs > 50) seen.slow++;
    seen.longestMs = Math.max(seen.longestMs, tookMs);
    requestAnimationFrame(frame);
  };
  requestAnimationFrame(frame);
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) {
      seen.longTasks++;
      seen.longestTaskMs = Math.max(seen.longestTaskMs, duration);
    }
  }).observe({ entryTypes: ['longtask'] });
});
const devtools = await page.context().newCDPSession(page);
const [keptBefore, bytesBefore] = [kept(), bytes()];
let sent = 0;
let refused = 0;
const posting = setInterval(() => void post(), 100);

say('minutes', 'heap MB', 'frames', 'over 50 ms', 'longest frame ms', 'long tasks', 'longest task ms');
const between = [];
for (let i = 0; i <= SAMPLES; i++) {
  if (i > 0) await new Promise((resume) => setTimeout(resume, (MINUTES * 60_000) / SAMPLES));
  const seen = await page.evaluate(() => ({ ...globalThis.seen }));
  await devtools.send('HeapProfiler.collectGarbage');
  const { usedSize } = await devtools.send('Runtime.getHeapUsage');
  const minute = ((i * MINUTES) / SAMPLES).toFixed(1);
  say(minute, (usedSize / 1e6).toFixed(1), ...Object.values(seen).map((v) => v.toFixed(0)));
  between.push(await untilOnTheOther(`line ${i} from the other page`));
  await page.waitForTimeout(2000);
  await page.evaluate(() =>
    Object.assign(globalThis.seen, { frames: 0, slow: 0, longestMs: 0, longTasks: 0, longestTaskMs: 0 }),
  );
}
clearInterval(posting);
process.stdout.write(`\n${sent} readings posted, ${refused} refused, ${kept() - keptBefore} kept; `);
process.stdout.write(`the file grew by ${((bytes() - bytesBefore) / 1e6).toFixed(2)} MB\n`);
process.stdout.write(`a line on one page stood on the other after ${between.map((t) => t.toFixed(0)).join(', ')} ms\n`);
await browser.close();
server.kill();
rmSync(folder, { recursive: true, force: true });
process.exit(0);

async function post() {
  const atMs = Math.round(openedMs + (performance.now() - openedAt) * RATE);
  const value = Number((42 + 0.4 * Math.sin(atMs / 60_000) + 0.2 * (Math.random() - 0.5)).toFixed(1));
  const headers = { 'content-type': 'application/json', authorization: `Bearer ${token}` };
  const body = JSON.stringify({ readings: [{ atMs, value }] });
  const answer = await fetch(`${address}/api/v1/instruments/${PROBE}/readings`, { method: 'POST', headers, body });
  if (answer.ok) sent++;
  else refused++;
}

/** Milliseconds from writing a note on one page until the other shows it. */
async function untilOnTheOther(words) {
  const shown = other.evaluate(
    (text) =>
      new Promise((seen) => {
        const look = () =>
          document.querySelector('oc-log-list')?.textContent.includes(text) ? seen(Date.now()) : setTimeout(look, 5);
        look();
      }),
    words,
  );
  await page.keyboard.press('l');
  await page.getByRole('button', { name: 'Note', exact: true }).click();
  await page.locator('#pad-note').fill(words);
  const from = await page.evaluate(() => {
    [...document.querySelectorAll('oc-log-pad button')].find((b) => b.textContent.includes('Log the note')).click();
    return Date.now();
  });
  return (await shown) - from;
}

function say(...columns) {
  process.stdout.write(`${columns.map((c) => String(c).padStart(10)).join('  ')}\n`);
}
