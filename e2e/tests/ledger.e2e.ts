import { expect, test } from '../support/dairy.js';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { goTo, seriousFaults } from '../support/page.js';

test('a pot is sold by a touch, is gone for every page, and what it came of is traced and held', async ({
  page,
  demo,
  browser,
}) => {
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.keyboard.press('7');
  await expect(page.getByRole('heading', { name: 'Ledger', level: 1 })).toBeVisible();
  const row = page.locator('oc-in-stock li').filter({ hasText: 'School pots, mild' });
  const before = Number((await row.locator('.count').textContent())!.split(' ')[0]);
  await row.getByRole('button', { name: /School pots/ }).click();
  await row.getByLabel('To whom, or why').fill('the lamp inn');
  await row.getByRole('button', { name: 'Sold', exact: true }).click();
  await expect(row.locator('.count')).toHaveText(`${before - 1} pots`);
  await row.getByRole('button', { name: 'Thrown away' }).click();
  await expect(row.getByRole('alert')).toContainText('Say why');

  const other = await browser.newPage();
  await other.goto(`${demo.address}/ledger`);
  await expect(other.locator('oc-in-stock li').filter({ hasText: 'School pots, mild' }).locator('.count')).toHaveText(
    `${before - 1} pots`,
  );
  const find = other.getByLabel('Find a make');
  await find.fill('LAMP inn');
  await expect(other.getByText(/^1 make of \d+$/)).toBeVisible();
  await expect(other.locator('p-table tbody tr')).toHaveCount(1);

  // All of it is called back: nothing of it goes out any more, on either page.
  await row.getByRole('link', { name: 'Where it came from and went' }).click();
  await expect(page.getByRole('heading', { name: 'Where School pots, mild came from and went' })).toBeVisible();
  await expect(page.locator('section', { hasText: 'Who to call' }).last()).toContainText('the lamp inn');
  await page.getByLabel('Your name').fill('Ine');
  await page.getByLabel('Why', { exact: true }).fill('The milk was turning');
  await page.getByRole('button', { name: /^Hold (that make|all \d+ makes)$/ }).click();
  await expect(page.locator('.held').first()).toBeVisible();
  const held = other.locator('oc-in-stock li').filter({ hasText: 'School pots, mild' });
  await expect(held).toContainText('Held: The milk was turning');
  await held.getByRole('button', { name: /School pots/ }).click();
  await held.getByRole('button', { name: 'Sold', exact: true }).click();
  await expect(held.getByRole('alert')).toContainText('is held');
  await other.close();

  // By its keys alone: from the header to the find field, and a make opened from the table.
  await goTo(page, '/ledger');
  await page.getByLabel('Find a make').fill('butter');
  await page
    .locator('p-table tbody')
    .getByRole('link', { name: /Butter for the quay stall/ })
    .click();
  await expect(page).toHaveURL(/\/make\//);
});

test('makes are compared, followed over time, and the whole dairy goes out and comes in as one file', async ({
  page,
  demo,
  folder,
}) => {
  await expect(page).toHaveURL(new RegExp(demo.address));
  await goTo(page, '/ledger');
  await expect(page.getByText(/^11 makes of 11$/)).toBeVisible();
  await page.getByLabel('Find a make').fill('thick yogurt bakery');
  await page.getByRole('checkbox').first().check();
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByRole('checkbox', { name: 'Compare Spreadable for the quay stall' }).check();
  await page.getByRole('link', { name: 'Compare these 2' }).click();
  await expect(page.locator('oc-overlay')).toHaveCount(4);
  await expect(page.getByRole('heading', { name: '2 makes compared' })).toBeVisible();
  await expect(page.locator('oc-compare-makes tbody tr').first()).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);

  await page.getByRole('link', { name: 'Over time' }).click();
  await expect(page.locator('oc-trend-strips .dot').first()).toBeVisible();
  await expect(page.locator('oc-score-lines li').first()).toContainText('held');
  expect(await seriousFaults(page)).toEqual([]);

  await page.getByRole('link', { name: 'Archive' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download the archive' }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/^oat-crock-\d{4}-\d\d-\d\d\.zip$/);
  const file = join(folder, 'dairy.zip');
  await download.saveAs(file);
  await page.setInputFiles('#archive-file', file);
  await expect(page.getByText('Lines of the log')).toBeVisible();
  writeFileSync(file, readFileSync(file).subarray(0, 2000));
  await page.setInputFiles('#archive-file', file);
  await expect(page.getByRole('alert')).toContainText('cut off');
  expect(await seriousFaults(page)).toEqual([]);
});
