import { copyFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '../support/dairy.js';
import { BROWSING } from '../support/browsing.js';
import { filledDemo } from '../support/fill.js';
import { seriousFaults } from '../support/page.js';
import { ELSEWHERE, serveHere } from '../support/serve-here.js';

test('a dairy on a network: another device is let in by a code, logs under its name, and is shut out', async ({
  browser,
  page,
  folder,
}) => {
  const file = join(folder, 'demo.sqlite');
  copyFileSync(filledDemo(), file);
  const network = { host: '0.0.0.0', names: [ELSEWHERE] };
  const { address, close } = await serveHere(file, true, 0, false, network);
  const elsewhere = address.replace('localhost', ELSEWHERE);
  const context = await browser.newContext(BROWSING);
  const other = await context.newPage();
  await other.goto(`${elsewhere}/larder`);
  await expect(other.getByRole('heading', { name: 'This dairy is closed' })).toBeVisible();
  expect(await seriousFaults(other)).toEqual([]);

  // The machine itself is asked nothing, and shows a code.
  await page.goto(`${address}/who-may`);
  await page.getByLabel('Who comes').fill('Ane');
  await page.getByLabel('Who comes').press('Enter');
  const code = (await page.locator('.code').textContent())!;
  await expect(page.getByRole('img', { name: 'The way in, for a camera' })).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);

  await other.getByLabel('Code or passphrase').fill('AAAA-AAAA');
  await other.getByRole('button', { name: 'Come in' }).click();
  await expect(other.getByRole('alert')).toContainText('This lets nobody in');
  await other.getByLabel('This device is').fill('by the sink');
  await other.getByLabel('Code or passphrase').fill(code.toLowerCase());
  await other.getByLabel('Code or passphrase').press('Enter');
  await expect(other.locator('oc-larder h2').first()).toBeVisible();

  // What it logs bears the name of whoever was invited.
  const written = await other.evaluate(async () => {
    const { entries } = (await (await fetch('/api/v1/snapshot')).json()) as {
      entries: { batchId: string; atMs: number }[];
    };
    const { batchId, atMs } = entries.at(-1)!;
    const line = {
      id: '01J0000000000000000DZZR001',
      batchId,
      atMs,
      source: 'hand',
      body: { type: 'note', text: 'mild' },
    };
    const answer = await fetch('/api/v1/entries', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries: [line] }),
    });
    return { batchId, answer: (await answer.json()) as { entries: { by: string }[] } };
  });
  expect(written.answer.entries[0]!.by).toBe('Ane');
  await other.goto(`${elsewhere}/make/${written.batchId}`);
  await expect(other.locator('oc-log-list li', { hasText: 'mild' }).locator('em')).toHaveText(['Ane']);

  await page.reload();
  await page.getByRole('button', { name: 'Shut out by the sink' }).press('Enter');
  await expect(page.getByText('by the sink is out.')).toBeVisible();
  await expect(other.getByRole('heading', { name: 'This dairy is closed' })).toBeVisible();
  await context.close();
  await page.close();
  await close();
});
