// How a large file does: 200 makes and a million readings in it. Milliseconds until a page can begin, and until each place shows its data.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ulid } from 'ulid';
import { ensureBuilt, ensureChromium, ensureInstalled, ROOT } from './lib.mjs';

ensureInstalled();
ensureBuilt();
const { openDb } = await import(join(ROOT, 'server/dist/store/open.js'));
const { chromium } = await import('@playwright/test');

const MAKES = { count: 200, live: 2, readingsEach: 5000, everyMin: 0.25 };
const HANDS = { heat: 9, hold: 31, cool: 46, starter: 65, warm: 71, chill: 370, strain: 760, finish: 1240 };
const folder = mkdtempSync(join(tmpdir(), 'oat-crock-large-'));
const file = join(folder, 'd.sqlite');
fill(openDb(file));

const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.js')], {
  env: { ...process.env, OAT_CROCK_DB: file, OAT_CROCK_PORT: '0' },
  stdio: ['ignore', 'pipe', 'inherit'],
});
const address = await new Promise((resolve) =>
  server.stdout.on('data', (d) => /http:\/\/[\d.:]+/.exec(String(d)) && resolve(/http:\/\/[\d.:]+/.exec(String(d))[0])),
);
const say = (what, took) => process.stdout.write(`${what.padEnd(44)}${took.toFixed(0).padStart(6)} ms\n`);

const asked = [];
for (let i = 0; i < 5; i++) {
  const from = performance.now();
  await (await fetch(`${address}/api/v1/snapshot`)).text();
  asked.push(performance.now() - from);
}
say('What a page begins with, from the server', middle(asked));

const browser = await chromium.launch({ executablePath: ensureChromium(), args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage();
const opened = performance.now();
await page.goto(`${address}/today`);
await page.waitForSelector('oc-task-card');
say('Today from nothing, until the next hands', performance.now() - opened);
const SHOWS = { Larder: 'oc-larder h2', Make: 'oc-batch-list li a', Methods: 'oc-finder h1', Today: 'oc-task-card' };
for (const [place, shows] of Object.entries(SHOWS)) {
  await untilShown(place, shows);
  const away = place === 'Larder' ? 'Methods' : 'Larder';
  await untilShown(away, SHOWS[away]);
  say(`${place}, once its scripts are there`, await untilShown(place, shows));
}
for (const [what, shows] of [
  ['A finished make: what was logged', 'oc-log-list li'],
  ['Another, worked out anew', 'oc-balance-table'],
]) {
  await page.goto(`${address}/make`);
  await page.waitForSelector('oc-batch-list li a');
  await page.waitForTimeout(4000);
  say(what, await untilOpened(shows));
}
await browser.close();
server.kill();
rmSync(folder, { recursive: true, force: true });
process.exit(0);

/** Makes of a strained yogurt, a day and a little apart, with readings every quarter of a minute. */
function fill(db) {
  db.pragma('synchronous = OFF');
  const insert = db.prepare('INSERT INTO entry (id, batch_id, at_ms, source, body) VALUES (?, ?, ?, ?, ?)');
  const nowMs = Date.now();
  db.transaction(() => {
    for (let b = 0; b < MAKES.count; b++) {
      const startMs = Math.round(nowMs - (MAKES.count - b) * 1.2 * 86_400_000);
      const batchId = ulid(startMs);
      const log = (min, body, source = 'hand') => {
        const atMs = Math.round(startMs + min * 60_000);
        insert.run(ulid(atMs), batchId, atMs, source, JSON.stringify(body));
      };
      log(0, { type: 'started', methodId: 'strained-yogurt', choices: {}, name: `Thick yogurt ${b + 1}` });
      for (const [stageId, min] of Object.entries(HANDS)) log(min, { type: 'step', stageId });
      for (let i = 0; i < MAKES.readingsEach; i++) {
        const [quantity, value, by] = i % 3 ? ['tempC', 42.1, 'thermometer'] : ['ph', 4.8, 'meter'];
        log(5 + i * MAKES.everyMin, { type: 'reading', quantity, value, by }, `${by}-a`);
      }
      if (b < MAKES.count - MAKES.live)
        log(1260, { type: 'finished', productG: 1650, wheyG: 2200, heldBackG: 120, score: null });
    }
  })();
  db.close();
}

/** Goes to a place by its name in the header; milliseconds until it shows what it is for. */
function untilShown(place, shows) {
  return page.evaluate(
    ([name, selector]) =>
      new Promise((shown) => {
        const link = [...document.querySelectorAll('header a')].find((a) => a.textContent.trim() === name);
        const from = performance.now();
        link.click();
        const look = () =>
          document.querySelector(selector) ? shown(performance.now() - from) : requestAnimationFrame(look);
        look();
      }),
    [place, shows],
  );
}

/** Opens a finished make of the list; milliseconds until it shows something. */
function untilOpened(shows) {
  return page.evaluate(
    (selector) =>
      new Promise((shown) => {
        const link = [...document.querySelectorAll('oc-batch-list li a')].at(-5);
        const from = performance.now();
        link.click();
        const look = () =>
          document.querySelector(selector) ? shown(performance.now() - from) : requestAnimationFrame(look);
        look();
      }),
    shows,
  );
}

function middle(times) {
  return times.sort((a, b) => a - b)[times.length >> 1];
}
