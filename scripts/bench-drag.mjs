// How a plan of many orders follows the mouse: a make is dragged by a real mouse, some steps a frame, and of each move it is measured
// how long the page is busy with it and how long its frame takes, and how soon the planner has said what breaks there.
// Orders as the argument, 20 unless said: `node scripts/bench-drag.mjs 40`.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt, ensureChromium, ensureInstalled, ROOT } from './lib.mjs';

ensureInstalled();
ensureBuilt();
const { chromium } = await import('@playwright/test');

const ORDERS = Number(process.argv[2] ?? 20);
const MOVES = 120;
const DAY_MS = 86_400_000;
const MAKES = ['scalded-yogurt', 'strained-yogurt', 'cultured-cream', 'quark', 'acid-heat-curd'];
const folder = mkdtempSync(join(tmpdir(), 'oat-crock-drag-'));
const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.js')], {
  env: { ...process.env, OAT_CROCK_DB: join(folder, 'd.sqlite'), OAT_CROCK_PORT: '0' },
  stdio: ['ignore', 'pipe', 'inherit'],
});
const address = await new Promise((resolve) =>
  server.stdout.on('data', (d) => /http:\/\/[\d.:]+/.exec(String(d)) && resolve(/http:\/\/[\d.:]+/.exec(String(d))[0])),
);
const put = async (path, item) => {
  const headers = { 'content-type': 'application/json', 'if-none-match': '*' };
  const done = await fetch(`${address}/api/v1/${path}/${item.id}`, {
    ...{ method: 'PUT', headers, body: JSON.stringify(item) },
  });
  if (!done.ok) throw new Error(await done.text());
};
const { nowMs } = await (await fetch(`${address}/api/v1/health`)).json();
const idOf = (n) => `01K00000000000000000000${String(n).padStart(3, '0')}`;
const GEAR = [
  ...['pot', 'pot', 'pot', 'pot'].map((kind, i) => [kind, 4 + 3 * i]),
  ...[10, 16, 16].map((holdsL) => ['thermostat', holdsL]),
  ...[8, 8].map((holdsL) => ['strainer', holdsL]),
  ['cold-shelf', 200],
];
for (const [i, [kind, holdsL]] of GEAR.entries())
  await put('gear', { ...{ id: idOf(i), kind, name: `${kind} ${i}`, holdsL, count: 1, learned: {}, note: '' } });
for (let i = 0; i < ORDERS; i++)
  await put('orders', {
    ...{ id: idOf(100 + i), whom: `shop ${i}`, methodId: MAKES[i % MAKES.length], choices: {}, alone: true, note: '' },
    productG: 1000 + 250 * (i % 5),
    due: { is: 'once', atMs: nowMs + (2 + (12 * i) / ORDERS) * DAY_MS },
  });

const browser = await chromium.launch({ executablePath: ensureChromium(), args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${address}/plan`);
await page.getByText('Not taken yet:').waitFor({ timeout: 120_000 });
await page.waitForTimeout(3000);
await page.getByRole('button', { name: 'Close', exact: true }).first().click();
const ribbon = page.locator('oc-plan-lanes .pour:not(.live) .curd').first();
await ribbon.scrollIntoViewIfNeeded();
const box = await ribbon.boundingBox();
// Between its hands: a hand that is gripped is moved by itself.
const [x, y] = [box.x + 0.35 * box.width, box.y + 3];
await page.evaluate(() => {
  const seen = { busy: [], frames: [], told: [] };
  globalThis.seen = seen;
  let moved = 0;
  addEventListener(
    'pointermove',
    () => {
      const at = performance.now();
      moved ||= at;
      // What the page does for the move is done before a message that is posted now is read.
      const channel = new MessageChannel();
      channel.port1.onmessage = () => seen.busy.push(performance.now() - at);
      channel.port2.postMessage(0);
    },
    true,
  );
  let last = performance.now();
  const frame = (now) => {
    if (moved) seen.frames.push(now - last);
    last = now;
    requestAnimationFrame(frame);
  };
  requestAnimationFrame(frame);
  const told = document.querySelector('oc-plan-lanes');
  new MutationObserver(() => {
    if (moved) seen.told.push(performance.now() - moved);
    moved = 0;
  }).observe(told, { subtree: true, childList: true, characterData: true, attributes: true });
});
await page.mouse.move(x, y);
await page.mouse.down();
for (let i = 1; i <= MOVES; i++) await page.mouse.move(x + 80 * Math.sin(i / 12), y);
await page.waitForTimeout(300);
const { busy, frames, told } = await page.evaluate(() => globalThis.seen);
await page.mouse.up();
const at = (values, share) => [...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))].toFixed(1);
const row = (name, values) =>
  process.stdout.write(
    `${name.padEnd(34)}${String(values.length).padEnd(7)}${at(values, 0.5).padEnd(9)}${at(values, 0.95).padEnd(9)}${at(values, 1)}\n`,
  );
process.stdout.write(`${ORDERS} orders; ms:${' '.repeat(22)}number median   95 %     worst\n`);
row('the page is busy with a move', busy);
row('frames', frames);
row('until it is shown elsewhere', told);
await browser.close();
server.kill();
rmSync(folder, { recursive: true, force: true });
process.exit(0);
