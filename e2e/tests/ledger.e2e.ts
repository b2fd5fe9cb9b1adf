import { expect, test } from '../support/dairy.js';
import { readFileSync, statSync, writeFileSync } from 'node:fs';
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

test('what is wanted is handed over pot by pot, with a note, and pots get labels', async ({ page, demo }) => {
  await page.goto(`${demo.address}/ledger/deliveries`);
  const row = page.locator('oc-delivery-row').filter({ hasText: 'the harbour inn' });
  await expect(row).toContainText('6 pots here for it');
  const pots = row.locator('.pot');
  await pots.nth(0).focus();
  await page.keyboard.press('Enter');
  await expect(row).toContainText('1 pot handed over, 5 pots here for it');
  await row.getByRole('button', { name: /^Hand over 5 pots of/ }).click();
  await expect(row).toContainText('Done: 6 pots handed over.');
  await expect(row.locator('.pot[aria-pressed="true"]')).toHaveCount(6);
  await pots.nth(5).click();
  await expect(row).toContainText('5 pots handed over, 1 pot here for it');
  expect(await seriousFaults(page)).toEqual([]);

  const note = page.waitForEvent('download');
  await row.getByRole('button', { name: 'Delivery note (PDF)' }).click();
  expect((await note).suggestedFilename()).toMatch(/^delivery-note-\d{4}-\d\d-\d\d-.{4}-the-harbour-inn\.pdf$/);

  // What went is on the plan's side too: nothing of it has to be made.
  await goTo(page, '/plan');
  await expect(page.locator('oc-wanted-list li').filter({ hasText: 'the harbour inn' })).toContainText(
    '150 g here for it',
  );

  await goTo(page, '/ledger');
  const here = page.locator('oc-in-stock li').filter({ hasText: 'School pots, mild' });
  await here.getByRole('button', { name: /School pots/ }).click();
  await here.getByRole('link', { name: 'Labels', exact: true }).click();
  await expect(page.locator('.label')).toContainText('Contains: milk');
  await page.getByLabel('How many').fill('30');
  await page.getByLabel('First free label of the sheet').fill('20');
  const labels = page.waitForEvent('download');
  await page.getByRole('button', { name: '30 labels as PDF' }).click();
  const bytes = readFileSync((await (await labels).path())!);
  expect(bytes.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(3);
  expect(await seriousFaults(page)).toEqual([]);
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
  // Once the table shows what was found: until then its first line is another.
  await expect(page.getByText(/^1 make of 11$/)).toBeVisible();
  await page.getByRole('checkbox').first().check();
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByRole('checkbox', { name: 'Compare Spreadable for the quay stall' }).check();
  await page.getByRole('link', { name: 'Compare these 2' }).click();
  await expect(page.locator('oc-overlay')).toHaveCount(4);
  await expect(page.getByRole('heading', { name: '2 makes compared' })).toBeVisible();
  await expect(page.locator('oc-compare-makes tbody tr').first()).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);

  await page.getByRole('link', { name: 'Over time' }).click();
  await expect(page.locator('oc-trend-strips .dots').first()).toBeVisible();
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
  // With the papers of every make it is read in all the same.
  const [withPapers] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'The same with records and labels' }).click(),
  ]);
  const thick = join(folder, 'dairy-with-papers.zip');
  await withPapers.saveAs(thick);
  expect(statSync(thick).size).toBeGreaterThan(statSync(file).size + 50_000);
  await page.setInputFiles('#archive-file', thick);
  await expect(page.getByText('Lines of the log')).toBeVisible();
  await page.setInputFiles('#archive-file', file);
  await expect(page.getByText('Lines of the log')).toBeVisible();
  writeFileSync(file, readFileSync(file).subarray(0, 2000));
  await page.setInputFiles('#archive-file', file);
  await expect(page.getByRole('alert')).toContainText('cut off');
  // A backup, by keys, beside all that; it stands there after a reload, and is the data file whole.
  await page.getByRole('button', { name: 'Back up now' }).press('Enter');
  await expect(page.getByText(/^The last, .*: sound, \d+ makes/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^The last, .*: sound, \d+ makes/)).toBeVisible();
  const [backup] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: /^Download .*-hand\.sqlite/ }).click(),
  ]);
  const copy = join(folder, 'backup.sqlite');
  await backup.saveAs(copy);
  expect(readFileSync(copy).subarray(0, 15).toString()).toBe('SQLite format 3');
  expect(await seriousFaults(page)).toEqual([]);
});
