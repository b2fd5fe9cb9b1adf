import type { Browser, Page } from '@playwright/test';
import { copyFileSync } from 'node:fs';
import { join } from 'node:path';
import { newAppWindow, newerBuild, untilKept } from '../support/as-app.js';
import { expect, test } from '../support/dairy.js';
import { filledDemo } from '../support/fill.js';
import { seriousFaults } from '../support/page.js';
import { serveHere } from '../support/serve-here.js';

const HOUR_MS = 3_600_000;
const AWAY = /The server is not answering/;

/** The demonstration in a folder, and its address. */
async function demoIn(folder: string) {
  const file = join(folder, 'demo.sqlite');
  copyFileSync(filledDemo(), file);
  const served = await serveHere(file, true);
  const port = Number(new URL(served.address).port);
  return { ...served, again: (webRoot?: string) => serveHere(file, true, port, false, webRoot ? { webRoot } : {}) };
}

/** A page of which the browser holds all, and whose server has gone since. */
async function keptPage(browser: Browser, folder: string) {
  const { address, close, again } = await demoIn(folder);
  const window = await newAppWindow(browser);
  const page = await window.newPage();
  await page.goto(`${address}/today`);
  await expect(page.locator('[data-next-hands]').first()).toBeVisible();
  await untilKept(page);
  await close();
  return { window, page, address, again };
}

/** Logs a note on the pot in hand. */
async function logNote(page: Page, text: string): Promise<void> {
  await expect(page.locator('[data-next-hands]').first()).toBeVisible();
  await page.keyboard.press('l');
  const pad = page.getByRole('dialog');
  await pad.getByRole('button', { name: 'Note', exact: true }).click();
  await pad.getByRole('textbox', { name: 'Note' }).fill(text);
  await pad.getByRole('button', { name: 'Log the note' }).click();
  await expect(pad).toHaveCount(0);
}

test('with the server away the page opens, shows every place and logs; an hour later it is sent once, in order', async ({
  browser,
  folder,
}) => {
  const { window, page, address, again } = await keptPage(browser, folder);

  await page.reload();
  await expect(page.locator('[data-next-hands]').first()).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: AWAY })).toBeVisible();
  await expect(page.getByText(/What you see is as of/)).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  for (const [key, heading] of [
    ['2', 'Plan'],
    ['3', 'Make'],
    ['4', 'Methods'],
    ['5', 'Cultures'],
    ['6', 'Larder'],
    ['7', 'Ledger'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page.getByRole('navigation').first().getByRole('link', { name: heading })).toHaveAttribute(
      'aria-current',
      'page',
    );
    await expect(page.locator('main h1, main h2').first()).toBeVisible();
  }

  await page.goto(`${address}/today`);
  const texts = ['thin at the rim', 'thicker now', 'breaks clean'];
  for (const text of texts) await logNote(page, text);
  await page.reload();
  await expect(page.getByRole('status').filter({ hasText: '3 waiting' })).toBeVisible();

  const posted: string[] = [];
  page.on('request', (request) => {
    if (request.method() === 'POST' && request.url().endsWith('/entries')) posted.push(request.postData() ?? '');
  });
  const { kitchen, close: closeAgain } = await again();
  kitchen.clock.set({ kitchenMs: kitchen.clock.now() + HOUR_MS });
  await expect(page.getByRole('status').filter({ hasText: AWAY })).toHaveCount(0);
  await expect(page.getByText(/What you see is as of/)).toHaveCount(0);
  const notes = () =>
    kitchen.entries
      .since(0)
      .flatMap(({ body }) => (body.type === 'note' && texts.includes(body.text) ? [body.text] : []));
  await expect.poll(notes).toEqual(texts);
  const taken = (text: string) => posted.filter((body) => body.includes(text)).length;
  expect(texts.map(taken).every((times) => times >= 1)).toBe(true);
  await page.reload();
  await expect(page.locator('[data-next-hands]').first()).toBeVisible();
  expect(notes()).toEqual(texts);
  await window.close();
  await closeAgain();
});

test('what one tab wrote is sent by the one that is still open, and what is refused is told in each', async ({
  browser,
  folder,
}) => {
  const { address, close, again } = await demoIn(folder);
  const window = await newAppWindow(browser);
  const [first, second] = [await window.newPage(), await window.newPage()];
  for (const page of [first, second]) {
    await page.goto(`${address}/today`);
    await expect(page.locator('[data-next-hands]').first()).toBeVisible();
  }
  await close();
  await first.bringToFront();
  await expect(first.getByRole('status').filter({ hasText: AWAY })).toBeVisible();
  await logNote(first, 'from the tab that closes');
  await expect(second.getByRole('status').filter({ hasText: '1 waiting' })).toBeVisible();
  await first.keyboard.press('6');
  await first
    .getByRole('link', { name: /Skimmed-off cream/ })
    .first()
    .click();
  await first.getByRole('textbox', { name: 'Name' }).fill('Cream for the inn');
  await first.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(first.getByText(/server cannot be reached/)).toBeVisible();
  await first.close();
  const { kitchen, close: closeAgain } = await again();
  const notes = () =>
    kitchen.entries.since(0).filter(({ body }) => body.type === 'note' && body.text === 'from the tab that closes');
  await expect.poll(() => notes().length).toBe(1);
  const named = () => kitchen.larder().lots.filter(({ item }) => item.name === 'Cream for the inn');
  await expect.poll(() => named().length).toBe(1);
  expect(named()[0]!.version).toBe(2);

  // What the server will not take is told where it was written, in the other tab, and after a reload; and seen once for all.
  const third = await window.newPage();
  await third.goto(`${address}/today`);
  await expect(third.locator('[data-next-hands]').first()).toBeVisible();
  await second.route('**/api/v1/entries', (route) =>
    route.fulfill({
      status: 422,
      contentType: 'application/problem+json',
      body: JSON.stringify({
        type: 'about:blank',
        title: 'Not taken',
        status: 422,
        detail: 'It does not go.',
        errors: [{ field: 'entries[0]', message: 'This pot is over.', remedy: 'Log it on another.' }],
      }),
    }),
  );
  await second.bringToFront();
  await logNote(second, 'not to be taken');
  for (const page of [second, third]) await expect(page.getByRole('alert')).toContainText('Log it on another.');
  await third.reload();
  await expect(third.getByRole('alert')).toContainText('Log it on another.');
  await third.getByRole('button', { name: 'I have seen it' }).click();
  for (const page of [second, third]) await expect(page.getByRole('alert')).toHaveCount(0);
  await window.close();
  await closeAgain();
});

test('a newer page is told, and taken when nothing is open that would be lost', async ({ browser, folder }) => {
  const { window, page, again } = await keptPage(browser, folder);
  await expect(page.getByRole('status').filter({ hasText: AWAY })).toBeVisible();
  await logNote(page, 'kept over the change');
  await page.keyboard.press('l');

  const newer = newerBuild(join(folder, 'newer'));
  const { kitchen, close: closeAgain } = await again(join(folder, 'newer'));
  const told = page.getByRole('status').filter({ hasText: 'newer page' });
  await expect(told).toBeVisible();
  await told.getByRole('button', { name: 'Take the newer page' }).dispatchEvent('click');
  await expect(page.getByText('what is typed in it would be lost')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('button', { name: 'Take it all the same' }).click();
  await expect(page.locator(`script[src="${newer}"]`)).toHaveCount(1);
  await expect(page.locator('[data-next-hands]').first()).toBeVisible();
  await expect(page.getByText('A newer page')).toHaveCount(0);
  const kept = kitchen.entries
    .since(0)
    .filter(({ body }) => body.type === 'note' && body.text === 'kept over the change');
  expect(kept).toHaveLength(1);
  await window.close();
  await closeAgain();
});
