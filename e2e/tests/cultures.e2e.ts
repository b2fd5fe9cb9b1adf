import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { expect, test } from '../support/dairy.js';
import { keptLine } from '../support/kept-lines.js';
import { goTo, seriousFaults } from '../support/page.js';

const panel = (page: Page) => page.locator('oc-culture-panel');

test('a line begins with a pot, is divided, frozen, fed, and what is fed joins it', async ({ page, empty }) => {
  await goTo(page, '/cultures');
  await expect(page.getByText('Nothing lives here yet')).toBeVisible();
  await page.getByRole('button', { name: 'Add a culture' }).click();
  await page.getByRole('button', { name: 'Begin its line' }).click();
  await expect(page.getByRole('alert')).toContainText('name');
  await page.getByRole('textbox', { name: 'Name' }).fill('Harbour pot');
  await page.getByRole('button', { name: 'Begin its line' }).click();
  const bud = page.getByRole('button', { name: /^Harbour pot, generation 0/ });
  await expect(bud).toHaveCount(1);
  expect(await seriousFaults(page)).toEqual([]);

  // by keyboard alone: picked, divided into the freezer
  await bud.focus();
  await page.keyboard.press('Enter');
  await expect(panel(page)).toContainText('of a fresh one’s strength');
  await page.getByText('Divide it, or mix it').click();
  const part = page.getByRole('spinbutton', { name: 'A part of' });
  await part.fill('400');
  await part.press('Tab');
  await page.getByRole('button', { name: 'Divide it off' }).click();
  await expect(panel(page).getByRole('alert')).toContainText('up to the 150 g');
  await part.fill('50');
  await part.press('Tab');
  await page.getByRole('button', { name: 'Divide it off' }).click();
  await expect(panel(page)).toContainText('100 g');
  await expect(page.getByRole('button', { name: /^Harbour pot, generation 0.*: 50 g/ })).toHaveCount(1);

  // given up by mistake, it is taken up again
  await page.getByRole('button', { name: 'Give it up' }).click();
  await page.getByRole('button', { name: 'Take it up again' }).click();
  await page.getByRole('combobox', { name: 'Its line is begun again' }).click();
  await page.getByRole('option', { name: /^By taste/ }).click();
  await expect(panel(page)).toContainText('your marks of sourness decide');
  await expect(page.getByRole('listbox')).toHaveCount(0);
  expect(await seriousFaults(page)).toEqual([]);

  // one touch feeds it: a small make of its own, which takes of it
  await page.getByRole('button', { name: 'Feed it now' }).click();
  await expect(page).toHaveURL(/\/make\//);
  await expect(page.getByRole('listitem').filter({ hasText: /Took \d+ g/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Harbour pot, fed' })).toBeVisible();
  await goTo(page, '/cultures');
  await page.getByRole('button', { name: /^Harbour pot.*: 8\d g/ }).click();
  await expect(panel(page).getByRole('link', { name: 'Harbour pot, fed' }).first()).toBeVisible();
});

test('a starter of one’s own is taken on the sheet, and what is held back is a generation on', async ({
  page,
  demo,
}) => {
  await goTo(page, '/methods/scalded-yogurt');
  await page.getByRole('button', { name: /^Starter/ }).click();
  const own = page.getByRole('group', { name: 'Your own, for Kind' });
  await own
    .getByRole('button', { name: /^Quay yogurt/ })
    .first()
    .click();
  await expect(own.getByRole('button', { pressed: true })).toHaveCount(1);
  await expect(page.getByText('Cream packet would not do.')).toBeVisible();
  await page.getByRole('button', { name: 'Start this make' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: /Took 1\d\d g/ })).toBeVisible();
  const batchId = new URL(page.url()).pathname.split('/').at(-1);

  // its line knows of it, forward and back
  await goTo(page, '/cultures');
  const { body } = await keptLine(page, demo, (line) => line.batchId === batchId && line.body.lotId !== undefined);
  const { cultures } = (await (await page.request.get(`${demo.address}/api/v1/cultures`)).json()) as {
    cultures: { id: string; generation: number }[];
  };
  expect(cultures.find(({ id }) => id === body.lotId)!.generation).toBeGreaterThanOrEqual(3);
});

test('a chain by the clock, a time away, and the open file, whole and by axe', async ({ page, demo, empty }) => {
  await page.goto(`${demo.address}/cultures`);
  await page.getByRole('button', { name: 'Starter by a time' }).click();
  const wanted = page.getByRole('spinbutton', { name: 'Wanted' });
  await wanted.fill('6000');
  await wanted.press('Tab');
  const steps = page.locator('oc-chain-tool ol li');
  await expect(steps).toHaveCount(2);
  await expect(steps.last()).toContainText('of scalded milk');
  for (const when of await steps.locator('b').allInnerTexts()) expect(when).not.toContain('in the night');
  const ripe = page.getByRole('combobox', { name: 'Ripe by' });
  await ripe.clear();
  await ripe.pressSequentially('Sat 1 Jan 2000 07:00');
  await ripe.press('Tab');
  await expect(page.locator('oc-chain-tool').getByRole('status')).toContainText('should have been begun');
  await page.getByRole('button', { name: 'Going away' }).click();
  await expect(page.locator('oc-park-tool li').first()).toContainText('of its strength on that day');
  expect(await seriousFaults(page)).toEqual([]);

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save them as a file' }).click(),
  ]);
  const file = await download.path();
  const { cultures } = JSON.parse(readFileSync(file, 'utf8')) as { cultures: unknown[] };
  const input = page.locator('oc-cultures input[type=file]');
  await input.setInputFiles(file);
  await expect(page.getByText(`0 taken in, ${cultures.length} were here already.`)).toBeVisible();
  await input.setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"oatCrock":"milk"}'),
  });
  await expect(page.getByText(/^oatCrock: /)).toBeVisible();

  // into another household
  await page.goto(`${empty.address}/cultures`);
  await page.getByRole('button', { name: 'Add a culture' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('First');
  await page.getByRole('button', { name: 'Begin its line' }).click();
  await page.locator('oc-cultures input[type=file]').setInputFiles(file);
  await expect(page.getByText(`${cultures.length} taken in.`)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Upper-path heirloom, generation 37/ })).toBeVisible();
});
