// Pictures of each main view from the demonstration's data, into docs/screenshots.
//   npm run screenshots [-- make plan]      all of them, or those that are named
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt, ensureChromium, ensureInstalled, ROOT } from './lib.mjs';

ensureInstalled();
ensureBuilt();
const { chromium } = await import('@playwright/test');
const out = join(ROOT, 'docs/screenshots');
mkdirSync(out, { recursive: true });

const data = mkdtempSync(join(tmpdir(), 'oat-crock-pictures-'));
const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.js'), '--demo'], {
  env: { ...process.env, OAT_CROCK_DB: join(data, 'd.sqlite'), OAT_CROCK_PORT: '0' },
  stdio: ['ignore', 'pipe', 'inherit'],
});
const address = await new Promise((resolve) =>
  server.stdout.on('data', (d) => /http:\/\/[\d.:]+/.exec(String(d)) && resolve(/http:\/\/[\d.:]+/.exec(String(d))[0])),
);
const { entries } = await (await fetch(`${address}/api/v1/snapshot`)).json();
const batch = (name) => entries.find((e) => e.body.type === 'started' && e.body.name === name).batchId;

const { cultures } = await (await fetch(`${address}/api/v1/cultures`)).json();
/** The youngest of the yogurt's line in a generation. */
const culture = (generation) =>
  cultures
    .filter((c) => c.culture === 'thermophilic' && c.generation === generation)
    .sort((a, b) => b.bornMs - a.bornMs)[0].id;

/** Takes the plan that is proposed. */
async function take(page) {
  await page.getByText('Not taken yet:').waitFor();
  await page.keyboard.press('t');
  await page.getByText('Taken.').waitFor();
}

/** Two pots have gone to the inn. */
async function tickTwo(page) {
  const pots = page.locator('oc-delivery-row').filter({ hasText: 'the harbour inn' }).locator('.pot');
  for (const nth of [0, 1]) await pots.nth(nth).click();
  await page.mouse.move(2, 400);
  await page.evaluate(() => scrollTo(0, 0));
}

/** Three yogurts of a year: of a good jar, of a slow one, and of the one after it. */
async function compareThree(page) {
  const found = await (await fetch(`${address}/api/v1/makes?find=market+week&take=100`)).json();
  const ids = [20, 26, 40].map((week) => found.makes.find(({ name }) => name.endsWith(`week ${week}`)).id);
  await page.goto(`${address}/ledger/compare?of=${ids.join(',')}`);
  await page.waitForSelector('oc-overlay .line');
}

/** The year's makes are worked out beside the server for some minutes. */
async function untilWorkedOut(page) {
  await page.waitForSelector('oc-trend-strips svg', { timeout: 600_000 });
  await page.waitForFunction(() => !document.querySelector('.pick [role=status]'), null, { timeout: 600_000 });
}

/** A make is traced from what is here of it. */
async function traceTheMarkets(page) {
  const row = page.locator('oc-in-stock li').filter({ hasText: 'School pots, mild' });
  await row.getByRole('button', { name: /School pots/ }).click();
  await row.getByRole('link', { name: 'Where it came from and went' }).click();
  await page.locator('.node').first().waitFor();
}

/** The household chooses Spanish. */
async function speakSpanish(page) {
  await page.getByRole('button', { name: /^The household/ }).click();
  await page.getByRole('dialog').getByRole('combobox', { name: 'Language' }).click();
  await page.getByRole('option', { name: 'Español' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await page.getByRole('heading', { name: 'Pesar' }).waitFor();
}

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const PICTURES = [
  // First, so that all others show what is planned.
  ['plan', '/plan', DESK, take],
  ['today', '/today', DESK],
  ['find', '/methods', DESK],
  ['methods', '/methods/strained-yogurt', DESK],
  ['larder', '/larder', DESK],
  ['ledger', '/ledger', DESK],
  ['deliveries', '/ledger/deliveries', DESK, tickTwo],
  ['trace', '/ledger', DESK, traceTheMarkets],
  ['compare', '/ledger?find=market+yogurt', DESK, compareThree],
  ['trends', '/ledger/trends/scalded-yogurt', DESK, untilWorkedOut],
  ['cultures', '/cultures', DESK],
  ['culture', `/cultures/${culture(3)}`, DESK, (page) => page.waitForSelector('oc-generation-plot circle')],
  ['make', `/make/${batch('Thick yogurt for the quay')}`, DESK],
  ['make-finished', `/make/${batch('Thick yogurt for the bakery')}`, DESK],
  ['log-pad', '/today', DESK, (page) => page.keyboard.press('l')],
  ['household', '/today', DESK, (page) => page.getByRole('button', { name: /^The household/ }).click()],
  ['today-phone', '/today', PHONE],
  ['today-dawn', '/today', DESK, (page) => page.getByRole('button', { name: /Before dawn/ }).click()],
  // Last, as the household speaks it from then on.
  ['methods-spanish', '/methods/strained-yogurt', DESK, speakSpanish],
];

const browser = await chromium.launch({ executablePath: ensureChromium(), args: ['--no-sandbox', '--disable-gpu'] });
const named = process.argv.slice(2);
for (const [name, path, viewport, act] of PICTURES.filter(([n]) => named.length === 0 || named.includes(n))) {
  const page = await (await browser.newContext({ viewport })).newPage();
  await page.goto(address + path);
  await page.waitForSelector('oc-shelf oc-pour');
  await page.waitForTimeout(2500);
  if (act) {
    await act(page);
    await page.waitForTimeout(900);
  }
  await page.screenshot({ path: join(out, `${name}.png`) });
  process.stdout.write(`docs/screenshots/${name}.png\n`);
  await page.close();
}
await browser.close();
server.kill();
rmSync(data, { recursive: true, force: true });
