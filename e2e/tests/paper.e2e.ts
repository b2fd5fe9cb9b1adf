import { readFileSync } from 'node:fs';
import { expect, test } from '../support/dairy.js';
import { goTo } from '../support/page.js';

/** Pages of a PDF: each is an object of its own in the file. */
const pagesOf = (bytes: Buffer) => bytes.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;

test('a sheet is handed out as a PDF of one page, the longest among them', async ({ page, empty }) => {
  for (const method of ['strained-yogurt', 'soda-cheese', 'cream-cheese', 'cultured-butter', 'clabber']) {
    await goTo(page, `/methods/${method}`);
    const button = page.getByRole('button', { name: 'As a PDF' });
    await expect(button).toBeEnabled();
    const coming = page.waitForEvent('download');
    await button.click();
    const file = await coming;
    expect(file.suggestedFilename()).toMatch(/^[a-z-]+\.pdf$/);
    const bytes = readFileSync((await file.path())!);
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pagesOf(bytes), method).toBe(1);
    expect(bytes.length, 'its faces and its drawing are in it').toBeGreaterThan(15_000);
  }
});

test('the record of a finished make is a PDF of one page', async ({ page, demo }) => {
  await page.goto(`${demo.address}/make`);
  await page.getByRole('link', { name: /Thick yogurt for the bakery/ }).click();
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: /Record for an inspector/ }).click();
  const file = await coming;
  expect(file.suggestedFilename()).toMatch(/^record-\d{6}-[0-9A-Z]{4}\.pdf$/);
  expect(pagesOf(readFileSync((await file.path())!))).toBe(1);
});
