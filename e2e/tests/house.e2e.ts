import { AxeBuilder } from '@axe-core/playwright';
import { expect, test } from '../support/dairy.js';

const PLACES = [
  '/today',
  '/plan',
  '/methods',
  '/methods/strained-yogurt',
  '/methods/quark/stages',
  '/make',
  '/larder',
  '/cultures',
];
const SIZES = [
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
  { width: 390, height: 844 },
];

test('every place is free of serious accessibility faults, in light and before dawn', async ({ page, demo }) => {
  for (const light of ['light', 'dawn']) {
    for (const path of PLACES) {
      await page.goto(demo.address + path);
      await expect(page.locator('oc-shelf oc-pour').first()).toBeVisible();
      if (path !== '/today') await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
      const dark = (await page.getByRole('button', { name: /Before dawn/ }).getAttribute('aria-pressed')) === 'true';
      if (dark !== (light === 'dawn')) await page.getByRole('button', { name: /Before dawn/ }).click();
      await page.waitForTimeout(400);
      const { violations } = await new AxeBuilder({ page }).analyze();
      const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
      const said = serious.map((v) => `${path} ${light}: ${v.id} ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
      expect(said).toEqual([]);
    }
  }
});

test('the household’s dialog is free of serious faults, and is filled in by keyboard alone', async ({ page, demo }) => {
  await page.goto(`${demo.address}/today`);
  const wheel = page.getByRole('button', { name: /^The household/ });
  await wheel.focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: 'The household' });
  await expect(dialog).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).include('dialog').analyze();
  expect(violations.filter((v) => v.impact === 'serious' || v.impact === 'critical').map((v) => v.id)).toEqual([]);

  await dialog.getByRole('combobox', { name: 'Temperature' }).focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await dialog.getByRole('button', { name: 'Sun', exact: true }).focus();
  await page.keyboard.press('Space');
  await dialog.getByRole('button', { name: 'Save' }).focus();
  await page.keyboard.press('Enter');
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole('main').getByText(/\d °F/).first()).toBeVisible();
  const { settings } = (await (await page.request.get(`${demo.address}/api/v1/snapshot`)).json()).household as {
    settings: { worksDays: number[] };
  };
  expect(settings.worksDays).toEqual([1, 2, 3, 4, 5, 6]);
});

test('no place is wider than its window, from desk to telephone', async ({ page, demo }) => {
  for (const size of SIZES) {
    await page.setViewportSize(size);
    for (const path of PLACES) {
      await page.goto(demo.address + path);
      await expect(page.locator('oc-shelf oc-pour').first()).toBeVisible();
      await page.waitForTimeout(300);
      const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(over, `${path} at ${size.width}`).toBeLessThanOrEqual(0);
    }
  }
});

test('everything can be done by keyboard alone', async ({ page, demo }) => {
  await page.goto(`${demo.address}/today`);
  await expect(page.locator('oc-hand-card').first()).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await page.keyboard.press('4');
  await expect(page).toHaveURL(/methods/);
  await page.keyboard.press('/');
  await page.keyboard.type('bakery');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Thick yogurt for the bakery' })).toBeVisible();

  // log a temperature to the make whose hands come next
  await page.keyboard.press('1');
  await expect(page.locator('oc-hand-card').first()).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByRole('dialog')).toContainText('Log to Thick yogurt for the quay');
  await page.keyboard.type('41.5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('u');
  await expect(page.getByRole('status').filter({ hasText: 'Taken back: 41.5 °C' })).toBeVisible();

  // N goes to the control that records the next hands
  await page.keyboard.press('n');
  await expect(page.getByRole('button', { name: /^Done: Spoon/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Done: (Tie it up|Whisk smooth)/ }).first()).toBeVisible();
});

test('the household’s hours are kept, and the hands follow them', async ({ page, demo }) => {
  await page.goto(`${demo.address}/today`);
  const strain = page.locator('oc-hand-card').filter({ hasText: 'Tie it up in cloth' });
  await expect(strain).toContainText('06:00');
  await page.getByRole('button', { name: /^The household/ }).click();
  const dialog = page.getByRole('dialog', { name: 'The household' });
  const until = dialog.getByRole('combobox', { name: 'until' }).first();
  await until.click();
  await page.getByRole('option', { name: '08:00' }).click();
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(strain).toContainText('08:00');
  await page.reload();
  await expect(strain).toContainText('08:00');
});

test('the page asks nobody but its own server and breaks no policy', async ({ page, demo }) => {
  const elsewhere: string[] = [];
  const errors: string[] = [];
  page.on(
    'request',
    (r) => !r.url().startsWith(demo.address) && !r.url().startsWith('data:') && elsewhere.push(r.url()),
  );
  page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
  page.on('pageerror', (e) => errors.push(e.message));
  for (const path of PLACES) {
    await page.goto(demo.address + path);
    await expect(page.locator('oc-shelf oc-pour').first()).toBeVisible();
  }
  expect(elsewhere).toEqual([]);
  expect(errors).toEqual([]);
});
