// What it costs: engine, forecast, storage and the first page, as a table. Ratios where a machine's own speed would drown the figure.
import Database from 'better-sqlite3';
import { createRequire } from 'node:module';
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { gzipSync } from 'node:zlib';
import { engine, ensureBuilt, ensureChromium, ensureInstalled, ROOT, scriptsFor } from './lib.mjs';
import { usualProblem } from './usual.mjs';

ensureInstalled();
ensureBuilt();
const core = await engine();
const { openDb } = await import(join(ROOT, 'server/dist/store/open.js'));
const { entryStore } = await import(join(ROOT, 'server/dist/store/entries.js'));
const { Solver } = createRequire(import.meta.url)('odex');

const rows = [];
const row = (what, figure, reach = '') => rows.push({ what, figure, reach });

/** Median milliseconds of several runs, after warming up. */
function median(run, times = 9) {
  for (let i = 0; i < Math.max(3, times); i++) run();
  const took = Array.from({ length: times }, () => {
    const from = performance.now();
    run();
    return performance.now() - from;
  });
  return took.sort((a, b) => a - b)[times >> 1];
}

const ms = (value) => `${value.toFixed(value < 10 ? 2 : 0)} ms`;

// — the engine
const method = core.methodById('strained-yogurt');
const stages = core.planStages(method, {});
row(
  'One strained yogurt, milk to pot, simulated',
  ms(median(() => core.runMake(stages, core.USUAL_ENVIRONMENT), 201)),
  '≤ 1 ms',
);
row(
  'Cultured cream cheese, all thirteen stages',
  ms(median(() => core.runMake(core.planStages(core.methodById('cream-cheese'), {}), core.USUAL_ENVIRONMENT), 101)),
);
row(
  'Sheet of cream with two starters in it',
  ms(median(() => core.makeSheet(core.methodById('cultured-cream'), { beside: 'kefir-grains' }))),
);
row('Make sheet of strained yogurt (400 members)', ms(median(() => core.makeSheet(method, {}))), '≤ 50 ms');

const milk = { proteinGPerKg: 33, mineralsGPerKg: 7.3, freshPh: 6.65 };
const culture = core.CULTURES.thermophilic;
const law = core.souringLaw(culture, milk);
const problem = usualProblem(core);
const MEMBERS = 2000;
const points = new Float64Array(MEMBERS * core.DIMS);
const normal = core.normals(core.seededRandom(1));
for (let i = 0; i < points.length; i++) points[i] = normal();
const ensembleMs = median(() => core.runEnsemble(problem, points, MEMBERS, []));
row('2,000 members × 24 h of souring', ms(ensembleMs), '≤ 60 ms');
const options = { members: MEMBERS, seed: 1, fanPoints: 48 };
row('The same as a forecast with its fan', ms(median(() => core.forecastSouring(problem, [], options))));
const reading = [{ min: 150, ph: 5.5, by: 'meter' }];
row(
  'The same weighed by one pH reading',
  ms(median(() => core.forecastSouring(problem, reading, options))),
  '≤ 150 ms',
);

// — what a thousand forecasts leave behind
setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc');
const heapMB = () => {
  collect();
  return process.memoryUsage().heapUsed / 2 ** 20;
};
const some = { members: 500, seed: 1, fanPoints: 48 };
for (let i = 0; i < 50; i++) core.forecastSouring(problem, reading, some);
const heapBefore = heapMB();
for (let i = 0; i < 1000; i++) core.forecastSouring(problem, reading, some);
row('Heap grown over 1,000 forecasts of 500 members', `${(heapMB() - heapBefore).toFixed(2)} MB`, 'flat');

// — against a general solver of the same equations
function byOdex(member, tolerance) {
  const { muOptPerH, acidPerGrowthMolPerKg: y, acidByBiomassMolPerKgH: k, phUnhindered, phEnd } = culture;
  const tau = problem.place.tauMin / member.heatLoss;
  const around = problem.place.aroundC + member.keeperOffsetC;
  const right = (min, [x, lnQ, acid]) => {
    const tempC = around + (problem.tempC - around) * Math.exp(-min / tau);
    const ph = core.phFromTable(law.ph, acid) + member.phShift;
    const free = Math.min(1, Math.max(0, (ph - phEnd) / (phUnhindered - phEnd)));
    const mu = (muOptPerH * core.cardinalRate(culture.growth, tempC) * member.mu) / 60;
    const kAcid = (k * core.cardinalRate(culture.acid, tempC) * member.acid) / 60;
    const q = Math.exp(Math.min(lnQ, 40));
    const dx = mu * (q / (1 + q)) * free * x * (1 - x);
    return [dx, mu, y * dx + kAcid * x * free];
  };
  const solver = new Solver(3);
  solver.absoluteTolerance = tolerance;
  solver.relativeTolerance = tolerance;
  solver.initialStepSize = 5;
  solver.denseOutput = true;
  const start = [problem.biomass * member.activity, Math.log(problem.lagQ * member.lag), problem.lacticMolPerKg];
  const course = [];
  const keep = solver.grid(COURSE_MIN, (_min, [, , acid]) =>
    course.push(core.phFromTable(law.ph, acid) + member.phShift),
  );
  solver.solve(right, 0, start, problem.horizonMin, keep);
  return course;
}
/** A forecast needs the course and not only its end: the solver keeps it at every half hour. */
const COURSE_MIN = 30;
const courseMin = Array.from({ length: (24 * 60) / COURSE_MIN + 1 }, (_, i) => i * COURSE_MIN);
const COMPARED = 100;
const members = Array.from({ length: COMPARED }, (_, i) =>
  core.memberOfScores(problem.law.culture, points, i * core.DIMS),
);
const exact = members.map((m) => byOdex(m, 1e-10));
const worst = (courses) =>
  Math.max(...exact.flatMap((course, i) => course.map((ph, j) => Math.abs(ph - courses[i][j]))));
const oursRun = core.runEnsemble(problem, points, COMPARED, courseMin);
const ours = members.map((_, i) => courseMin.map((_, j) => oursRun.phAt[j * COMPARED + i]));
const courseMs = median(() => core.runEnsemble(problem, points, MEMBERS, courseMin)) / MEMBERS;
const oursOff = worst(ours);
row('pH off the exact course each half hour, worst of 100', oursOff.toFixed(4), '≤ 0.01');
/** The loosest tolerance of the solver that keeps its worst course within `phOff`. */
const looseFor = (phOff) =>
  [1e-3, 1e-4, 1e-5, 1e-6, 1e-7, 1e-8].find((tolerance) => worst(members.map((m) => byOdex(m, tolerance))) <= phOff);
for (const [phOff, name, reach] of [
  [oursOff, 'as near', '≥ 20 ×'],
  [0.01, 'within 0.01 pH', ''],
]) {
  const tolerance = looseFor(phOff);
  const odexMs = median(() => members.map((m) => byOdex(m, tolerance))) / COMPARED;
  row(`One member’s course against odex ${name} (${tolerance})`, `${(odexMs / courseMs).toFixed(1)} × faster`, reach);
}

// — storage: every entry a transaction of its own, on disk
const folder = mkdtempSync(join(tmpdir(), 'oat-crock-bench-'));
const ENTRIES = 2000;
function perSecond(write) {
  const from = performance.now();
  for (let i = 0; i < ENTRIES; i++) write(i);
  return (1000 * ENTRIES) / (performance.now() - from);
}
const body = { type: 'reading', quantity: 'ph', value: 4.62, by: 'meter' };
const store = entryStore(openDb(join(folder, 'ours.sqlite')));
const bare = new Database(join(folder, 'bare.sqlite'));
bare.pragma('journal_mode = WAL');
bare.pragma('synchronous = FULL');
bare.exec('CREATE TABLE e (seq INTEGER PRIMARY KEY, id TEXT UNIQUE, b TEXT, at INTEGER, s TEXT, body TEXT)');
const insert = bare.prepare('INSERT INTO e (id, b, at, s, body) VALUES (?, ?, ?, ?, ?)');
const kept = perSecond((i) => store.append([{ id: `id${i}`, batchId: 'b', atMs: i, source: 'hand', body }]));
const plain = perSecond((i) => insert.run(`id${i}`, 'b', i, 'hand', JSON.stringify(body)));
row('Entries into SQLite, one transaction each', `${kept.toFixed(0)} a second`);
row('The same against bare better-sqlite3', `${(kept / plain).toFixed(2)} of its speed`);
rmSync(folder, { recursive: true });

// — the first page
const web = join(ROOT, 'web/dist/browser');
const page = readFileSync(join(web, 'index.html'), 'utf8');
const styles = [...page.matchAll(/href="([^"]+\.css)"/g)].map((m) => m[1]);
const gzipKB =
  ['index.html', ...styles, ...scriptsFor('today')].reduce(
    (sum, f) => sum + gzipSync(readFileSync(join(web, f))).length,
    0,
  ) / 1024;
row('Scripts and styles of the first page, gzip', `${gzipKB.toFixed(0)} kB`, '≤ 350 kB');
const shown = await firstUseful();
row('Until the shelf names the live pours, from localhost', ms(shown.shelf));
row('Until the next hands are shown', ms(shown.hands), '≤ 1500 ms');
row('A choice is touched until the sheet shows it', ms(shown.touch), '≤ 50 ms');

/** Opens the demonstration and the page, and times until the shelf and Today show what is on (medians of five, cold cache). */
async function firstUseful() {
  const data = mkdtempSync(join(tmpdir(), 'oat-crock-bench-'));
  const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.js'), '--demo'], {
    env: { ...process.env, OAT_CROCK_DB: join(data, 'd.sqlite'), OAT_CROCK_PORT: '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const address = await new Promise((resolve) =>
    server.stdout.on(
      'data',
      (d) => /http:\/\/[\d.:]+/.exec(String(d)) && resolve(/http:\/\/[\d.:]+/.exec(String(d))[0]),
    ),
  );
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: ['--no-sandbox', '--disable-gpu'] });
  const took = [];
  for (let i = 0; i < 5; i++) {
    const tab = await (await browser.newContext()).newPage();
    await tab.addInitScript(() => {
      window.shownMs = {};
      const look = () => {
        for (const [what, where] of Object.entries({ shelf: 'oc-shelf li', hands: 'oc-task-card' })) {
          if (document.querySelector(where)) window.shownMs[what] ??= performance.now();
        }
        if (!window.shownMs.hands) requestAnimationFrame(look);
      };
      look();
    });
    await tab.goto(`${address}/today`);
    await tab.waitForFunction(() => window.shownMs.hands);
    took.push(await tab.evaluate(() => window.shownMs));
    await tab.close();
  }
  const touch = await touchToRepaint(await browser.newPage(), address);
  await browser.close();
  server.kill();
  rmSync(data, { recursive: true, force: true });
  const middle = (what) => took.map((t) => t[what]).sort((a, b) => a - b)[2];
  return { shelf: middle('shelf'), hands: middle('hands'), touch };
}

/** Touches a choice fifteen times and times until the sheet shows other amounts: the median. */
async function touchToRepaint(tab, address) {
  await tab.goto(`${address}/methods/strained-yogurt`);
  await tab.waitForSelector('.amounts b');
  await tab.waitForTimeout(1500);
  const took = await tab.evaluate(async () => {
    const more = document.querySelector('#choice-massG').closest('p-inputnumber').querySelector('button:last-of-type');
    const shown = () => document.querySelector('.amounts').textContent;
    const times = [];
    for (let i = 0; i < 15; i++) {
      const before = shown();
      const from = performance.now();
      more.dispatchEvent(new MouseEvent('mousedown', { button: 0, bubbles: true }));
      more.dispatchEvent(new MouseEvent('mouseup', { button: 0, bubbles: true }));
      while (shown() === before && performance.now() - from < 2000) await new Promise(requestAnimationFrame);
      times.push(performance.now() - from);
      await new Promise((rested) => setTimeout(rested, 100));
    }
    return times;
  });
  return took.sort((a, b) => a - b)[7];
}

const wide = Math.max(...rows.map((r) => r.what.length));
const mid = Math.max(...rows.map((r) => r.figure.length));
for (const r of rows) process.stdout.write(`${r.what.padEnd(wide)}  ${r.figure.padStart(mid)}  ${r.reach}\n`);
process.exit(0);
