import { expect, test } from '../support/dairy.js';
import { goTo, seriousFaults } from '../support/page.js';

test('an instrument of one’s own is added by keys, posts as its line says, is checked in buffers, and reads corrected', async ({
  page,
  demo,
}) => {
  await goTo(page, '/make');
  await page.getByRole('link', { name: 'Thick yogurt for the quay' }).last().click();
  await page.getByRole('link', { name: /^Instruments: add/ }).click();
  await page.getByLabel('Name', { exact: true }).focus();
  await page.keyboard.type('Copper pot');
  await page.getByRole('combobox', { name: 'It is a' }).focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('option', { name: 'pH meter' })).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Add it' }).press('Enter');
  const line = await page.getByLabel('A line for a terminal').innerText();
  const [, path] = /(\/api\/v1\/instruments\/\S+\/readings)/.exec(line)!;
  const [, token] = /Bearer ([^']+)/.exec(line)!;
  const send = (value: number) =>
    page.request.post(`${demo.address}${path}`, {
      headers: { authorization: `Bearer ${token}` },
      data: { readings: [{ value }] },
    });

  const row = page.getByRole('article', { name: 'Copper pot' });
  await row.getByRole('combobox', { name: 'Where Copper pot stands' }).click();
  await page.getByRole('option', { name: 'Thick yogurt for the quay' }).click();
  await expect.poll(async () => (await send(6.2)).status()).toBe(201);
  await expect(row).toContainText('pH 6.20');

  await row.getByRole('button', { name: 'Check Copper pot' }).press('Enter');
  await row.getByLabel('In pH 7.00 it shows').fill('7.32');
  await row.getByLabel('In pH 4.01 it shows').fill('4.30');
  await expect(row.getByText('Slope 100 % of the ideal: sound.')).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  await row.getByLabel('In pH 4.01 it shows').press('Enter');
  await expect(row).toContainText('Checked');
  demo.pass(1);
  await send(6.2);
  await expect(row).toContainText('pH 5.90');

  await page.reload();
  await expect(page.getByRole('article', { name: 'Copper pot' })).toContainText('Slope 100 %');
  await expect(page.getByText(token!)).toHaveCount(0);
});
