// How the ledger does with many years in one file: 10,000 makes and 5,000,000 readings, or as many as are asked for
// (node scripts/bench-ledger.mjs [makes] [readings of each] [file to keep it in]). Milliseconds, and frames while its table is scrolled.
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { ulid } from 'ulid';
import { engine, ensureBuilt, ensureChromium, ensureInstalled, ROOT } from './lib.mjs';

ensureInstalled();
ensureBuilt();
const { seededRandom } = await engine();
const { openDb } = await import(join(ROOT, 'server/dist/store/open.js'));
const { chromium } = await import('@playwright/test');

const [MAKES, READINGS] = [Number(process.argv[2] ?? 10_000), Number(process.argv[3] ?? 500)];
const DAY_MS = 86_400_000;
/** So often each way on the page is gone. */
const TIMES = 7;
const WHO = [
  'The quay market',
  'The school',
  'Lamp inn',
  'Upper path',
  'The mill',
  'Lighthouse kitchen',
  'Ferry galley',
];
const WORDS = ['mild', 'sharp', 'crème', 'thin', 'set late', 'smooth', 'grainy', 'warm night', 'new milk', 'good'];
const METHODS = ['scalded-yogurt', 'strained-yogurt', 'quark', 'cultured-cream'];
const folder = mkdtempSync(join(tmpdir(), 'oat-crock-ledger-'));
const file = process.argv[4] ?? join(folder, 'd.sqlite');
const say = (what, took, unit = 'ms') =>
  process.stdout.write(`${what.padEnd(58)}${took.toFixed(0).padStart(8)} ${unit}\n`);
const middle = (all) => [...all].sort((a, b) => a - b)[all.length >> 1];

if (!existsSync(file)) {
  const filledFrom = performance.now();
  fill(openDb(file));
  say('Filled', (performance.now() - filledFrom) / 1000, 's');
}
const lotIds = lotsIn(openDb(file));
say('The file', statSync(file).size / 1e6, 'MB');

const openedFrom = performance.now();
let opened = await open();
say('The server opens, and works out every make once', performance.now() - openedFrom);
while ((await (await fetch(`${opened.address}/api/v1/figures`)).json()).makes.length < 5) await pause(500);
opened.server.kill();
await new Promise((gone) => opened.server.on('exit', gone));
figuresForAll(openDb(file));
const againFrom = performance.now();
opened = await open();
say('It opens again', performance.now() - againFrom);
const { server, address } = opened;

const get = async (path) => {
  const from = performance.now();
  const text = await (await fetch(`${address}/api/v1/${path}`)).text();
  return { took: performance.now() - from, bytes: text.length };
};
/** The middle and the worst of several askings, once each was asked before. */
async function asked(what, paths) {
  for (const path of paths) await get(path);
  const all = [];
  for (const path of [...paths, ...paths, ...paths]) all.push(await get(path));
  say(`${what} (middle)`, middle(all.map(({ took }) => took)));
  say(`${what} (worst)`, Math.max(...all.map(({ took }) => took)));
}
const snapshot = await get('snapshot');
say('What a page begins with', snapshot.bytes / 1000, 'kB');
await asked('What a page begins with, from the server', ['snapshot']);
await asked('The newest hundred makes', ['makes']);
const searches = ['quay', 'thin upper', 'march', 'a', 'yogurt smooth', '2026-05', 'nothing at all', 'sharp lamp inn'];
await asked(
  'A search',
  searches.map((find) => `makes?find=${encodeURIComponent(find)}`),
);
const sorts = ['started', 'name', 'made', 'here', 'useBy', 'taste'];
await asked(
  'Sorted by a figure',
  sorts.map((sort) => `makes?sort=${sort}`),
);
await asked('Far down the table', [`makes?skip=${MAKES - 200}`, `makes?skip=${MAKES >> 1}&find=pots`]);
await asked(
  'A trace',
  [lotIds[0], lotIds.at(-1), 'receiver:the mill'].map((id) => `traces/${encodeURIComponent(id)}`),
);

const browser = await chromium.launch({ executablePath: ensureChromium(), args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${address}/larder`);
await page.waitForSelector('oc-larder h2');
await page.waitForTimeout(3000);
await toLedger();
await page.goBack();
await page.waitForSelector('oc-larder h2');
const times = [];
for (let i = 0; i < TIMES; i++) {
  times.push(await toLedger());
  await page.goBack();
  await page.waitForSelector('oc-larder h2');
}
say('Ledger, once its scripts are there, to data (middle)', middle(times));
say('Ledger, once its scripts are there, to data (worst)', Math.max(...times));
await toLedger();
await toTrends();
const trends = [];
for (let i = 0; i < TIMES; i++) {
  await page.goBack();
  await page.waitForSelector('oc-ledger td.make a');
  trends.push(await toTrends());
}
say('Over time, to its drawing (middle)', middle(trends));
say('Over time, to its drawing (worst)', Math.max(...trends));
await page.goBack();
await page.waitForSelector('oc-ledger td.make a');
say('A search on the page, from the key to its lines', await searched('lamp inn'));
await searched('');
const frames = await scrolled();
say('Scrolling: frames a second (middle)', 1000 / middle(frames), '');
say('Scrolling: the longest frame', Math.max(...frames));
await browser.close();
server.kill();
rmSync(folder, { recursive: true, force: true });
process.exit(0);

async function open() {
  const child = spawn(process.execPath, [join(ROOT, 'server/dist/main.js')], {
    env: { ...process.env, OAT_CROCK_DB: file, OAT_CROCK_PORT: '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const at = await new Promise((resolve) =>
    child.stdout.on(
      'data',
      (d) => /http:\/\/[\d.:]+/.exec(String(d)) && resolve(/http:\/\/[\d.:]+/.exec(String(d))[0]),
    ),
  );
  return { server: child, address: at };
}

/** Goes to the ledger by its name in the header; milliseconds until its first makes are there. */
function toLedger() {
  return page.evaluate(
    () =>
      new Promise((shown) => {
        const link = [...document.querySelectorAll('header a')].find((a) => a.textContent.trim() === 'Ledger');
        const from = performance.now();
        link.click();
        const look = () =>
          document.querySelector('oc-ledger td.make a') ? shown(performance.now() - from) : requestAnimationFrame(look);
        look();
      }),
  );
}

/** Goes to what makes came to over time; milliseconds until the dots of all its makes are there. */
function toTrends() {
  return page.evaluate(
    () =>
      new Promise((shown) => {
        const link = [...document.querySelectorAll('oc-ledger-head a')].find(
          (a) => a.textContent.trim() === 'Over time',
        );
        const from = performance.now();
        link.click();
        const look = () =>
          document.querySelector('oc-trend-strips .dots')
            ? shown(performance.now() - from)
            : requestAnimationFrame(look);
        look();
      }),
  );
}

/** Types into the field; milliseconds until the count of what was found is another. */
function searched(words) {
  return page.evaluate(
    (text) =>
      new Promise((shown) => {
        const [field, count] = ['#ledger-find', 'oc-ledger .counted p'].map((at) => document.querySelector(at));
        const was = count.textContent;
        field.value = text;
        const from = performance.now();
        field.dispatchEvent(new Event('input'));
        const look = () => (count.textContent !== was ? shown(performance.now() - from) : requestAnimationFrame(look));
        look();
      }),
    words,
  );
}

/** Scrolls the table for three seconds, 60 px a frame; how long each frame took, ms. */
function scrolled() {
  return page.evaluate(
    () =>
      new Promise((done) => {
        const box = document.querySelector('oc-ledger .p-virtualscroller');
        const took = [];
        let last = performance.now();
        const step = (now) => {
          took.push(now - last);
          last = now;
          box.scrollTop += 60;
          if (took.length < 180) requestAnimationFrame(step);
          else done(took.slice(2));
        };
        requestAnimationFrame(step);
      }),
  );
}

/** Makes of four kinds over eight years, each with its milk, its readings, its marks, notes, and who got it. */
function fill(db) {
  db.pragma('synchronous = OFF');
  const random = seededRandom(20);
  const of = (list) => list[Math.floor(random() * list.length)];
  const insert = db.prepare('INSERT INTO entry (id, batch_id, at_ms, source, body) VALUES (?, ?, ?, ?, ?)');
  const keepLot = db.prepare('INSERT INTO lot (id, version, gone_ms, body) VALUES (?, 1, ?, ?)');
  const firstMs = Date.now() - 8 * 365 * DAY_MS;
  const everyMs = (8 * 365 * DAY_MS) / MAKES;
  const ids = [];
  const lot = (n, atMs) => ({
    ...{
      id: ulid(atMs, random),
      name: `Upper path milk ${n}`,
      kind: 'milk',
      amount: 40_000,
      countedMs: atMs,
      pack: null,
    },
    ...{ pricePerKg: 1.2, useBy: null, note: '', from: null, treatment: 'raw', species: 'cow', homogenised: false },
    ...{ stabilised: false, freshPh: null, allergen: null },
    material: { fatPct: 4, proteinPct: 3.4, lactosePct: 4.7, mineralsPct: 0.7 },
  });
  db.transaction(() => {
    for (let b = 0; b < MAKES; b++) {
      const startMs = Math.round(firstMs + b * everyMs);
      const batchId = ulid(startMs, random);
      const log = (min, body, source = 'hand') => {
        const atMs = Math.round(startMs + min * 60_000);
        insert.run(ulid(atMs, random), batchId, atMs, source, JSON.stringify(body));
      };
      if (b % 12 === 0) {
        const milk = lot(b / 12, startMs - DAY_MS);
        keepLot.run(milk.id, b < MAKES - 24 ? startMs + 9 * DAY_MS : null, JSON.stringify(milk));
        ids.push(milk.id);
      }
      log(0, { type: 'started', methodId: of(METHODS), choices: {}, name: `Pots, ${of(WORDS)} ${b + 1}` });
      log(1, { type: 'took', lotId: ids.at(-1), massG: 3000 });
      for (let i = 0; i < READINGS; i++)
        log(5 + i * 0.8, { type: 'reading', quantity: 'tempC', value: 42.1, by: 'thermometer' }, 'probe-a');
      log(300, { type: 'note', text: `${of(WORDS)}, ${of(WORDS)}` });
      if (b >= MAKES - 2) continue;
      const marks = () => 1 + Math.floor(random() * 5);
      const score = { sourness: marks(), thickness: marks(), smoothness: marks(), taste: marks() };
      const useBy = new Date(startMs + 20 * DAY_MS).toISOString().slice(0, 10);
      log(600, { type: 'finished', productG: 2900, wheyG: null, heldBackG: null, score, pots: 8, useBy, openDays: 7 });
      const left = b > MAKES - 40 ? 3 : 0;
      log(2000, { type: 'issued', how: 'sold', pots: 8 - left, to: of(WHO) });
    }
  })();
  db.close();
}

/** Working out what each make came to takes a server many minutes: what the first ones came to stands for all. */
function figuresForAll(db) {
  const known = db.prepare('SELECT engine, body FROM make_figures WHERE is_followed = 1').all();
  const keep = db.prepare('INSERT OR IGNORE INTO make_figures (batch_id, of_seq, engine, body) VALUES (?, ?, ?, ?)');
  const makes = db.prepare('SELECT batch_id, of_seq FROM make WHERE made_g > 0').all();
  db.transaction(() => {
    makes.forEach(({ batch_id, of_seq }, i) => {
      const { engine, body } = known[i % known.length];
      keep.run(batch_id, of_seq, engine, body);
    });
  })();
  db.close();
}

function lotsIn(db) {
  const ids = db.prepare('SELECT id FROM lot ORDER BY id').pluck().all();
  db.close();
  return ids;
}
