import { expect, test } from '../support/dairy.js';
import { goTo, seriousFaults } from '../support/page.js';

test('with the page left, hands that come near are told of by letter and by request, once, and Today says where', async ({
  page,
  demo,
}) => {
  await goTo(page, '/alerts');
  await expect(page.getByRole('article', { name: 'Ine' })).toContainText('All hands, 10 min before');
  const standIn = await page.evaluate(async () => {
    const { simulated } = (await (await fetch('/api/v1/alerts')).json()) as { simulated: string };
    return simulated;
  });

  // by keyboard alone: somebody is told by requests
  await page.getByLabel('Name').focus();
  await page.keyboard.type('The bell by the stove');
  await page.getByRole('combobox', { name: 'Told by' }).focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('option', { name: 'Request to an address' })).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await page.getByLabel('Sent to').fill('bell');
  await page.getByLabel('Sent to').press('Enter');
  await expect(page.locator('oc-recipient-form').getByRole('alert')).toBeVisible();
  await page.getByLabel('Sent to').fill(standIn);
  await page.getByLabel('Sent to').press('Enter');
  await expect(page.locator('oc-recipient-form code')).toHaveText(/^whsec_/);
  await page.getByRole('button', { name: 'Send a trial to The bell by the stove' }).press('Enter');
  const letters = page.locator('oc-letters-list');
  await expect(letters.getByText('The bell by the stove is told of hands like this.')).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);

  // Nobody looks while three hours go by: the crock for the quay wants the cold.
  await page.goto('about:blank');
  const told = async () => {
    const { recent } = (await (await page.request.get(`${demo.address}/api/v1/alerts`)).json()) as {
      recent: { recipientId: string; state: string }[];
    };
    return recent.filter(({ state }) => state === 'sent').length;
  };
  demo.pass(170);
  await expect.poll(told, { timeout: 60_000 }).toBeGreaterThanOrEqual(3);
  const before = await told();
  await page.goto(`${demo.address}/alerts`);
  const spoon = page.locator('oc-told-list li').filter({ hasText: 'as the next starter' });
  await expect(spoon.filter({ hasText: 'Ine was told' })).toHaveCount(1);
  await expect(spoon.filter({ hasText: 'The bell by the stove was told' })).toHaveCount(1);
  await expect(letters.getByText(/^Request to an address to \/bell/).first()).toBeVisible();
  await spoon.getByRole('link').first().click();
  await expect(page).toHaveURL(/\/make\//);
  expect(await told()).toBe(before);
});
