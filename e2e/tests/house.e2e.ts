import type { Page } from '@playwright/test';
import { putHostile } from '../../server/dist/testing/hostile.js';
import { expect, test } from '../support/dairy.js';
import { goTo, seriousFaults } from '../support/page.js';

const PLACES = [
  '/today',
  '/plan',
  '/methods',
  '/methods/strained-yogurt',
  '/methods/quark/stages',
  '/make',
  '/larder',
  '/ledger',
  '/cultures',
  '/alerts',
  '/instruments',
];
/** Waits until nothing moves any more: what is shown has been drawn, and faded in. */
const settled = (page: Page) =>
  page.evaluate(async () => {
    await new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)));
    await Promise.all(document.getAnimations().map((animation) => animation.finished.catch(() => undefined)));
  });

const SIZES = [
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
  { width: 390, height: 844 },
];

/** Where what is on is drawn: in the shelf, and on Plan in its own drawing, or in the list that a telephone has first. */
const livePour = (page: Page, path: string) =>
  path === '/plan' ? page.locator('oc-plan-lanes, oc-tasks-list').first() : page.locator('oc-shelf oc-pour').first();

test('every place is free of serious accessibility faults, in light and before dawn', async ({ page, demo }) => {
  for (const path of PLACES) {
    await goTo(page, path);
    await expect(livePour(page, path)).toBeVisible();
    if (path !== '/today') await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    await settled(page);
    const faults = await seriousFaults(page);
    // Before dawn the same page has other colours, and nothing else.
    const dawn = page.getByRole('button', { name: /Before dawn/ });
    await dawn.click();
    await expect(dawn).toHaveAttribute('aria-pressed', 'true');
    await settled(page);
    const dark = await seriousFaults(page, undefined, ['color-contrast']);
    await dawn.click();
    expect([...faults, ...dark].map((fault) => `${path}: ${fault}`)).toEqual([]);
  }
});

test('the household’s dialog is free of serious faults, and is filled in by keyboard alone', async ({ page, demo }) => {
  await goTo(page, '/today');
  const wheel = page.getByRole('button', { name: /^The household/ });
  await wheel.focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: 'The household' });
  await expect(dialog).toBeVisible();
  expect(await seriousFaults(page, 'dialog')).toEqual([]);

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
  const worksDays = async () => {
    const { household } = (await (await page.request.get(`${demo.address}/api/v1/snapshot`)).json()) as {
      household: { settings: { worksDays: number[] } };
    };
    return household.settings.worksDays;
  };
  await expect.poll(worksDays).toEqual([1, 2, 3, 4, 5, 6]);
});

test('no place is wider than its window, from desk to telephone, nor broken by records from hell', async ({
  page,
  demo,
}) => {
  putHostile(demo.kitchen);
  const broken: string[] = [];
  page.on('pageerror', (error) => broken.push(error.message));
  await page.reload();
  await expect(page.getByText(/\d+ records cannot be used as they stand/)).toBeVisible();
  for (const path of PLACES) {
    await goTo(page, path);
    for (const size of SIZES) {
      await page.setViewportSize(size);
      await expect(livePour(page, path)).toBeVisible();
      await settled(page);
      const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(over, `${path} at ${size.width}`).toBeLessThanOrEqual(0);
    }
  }
  expect(broken).toEqual([]);
  // Each is taken away where it is said.
  const said = () => page.getByText(/\d+ records cannot be used/).textContent();
  const first = Number(/\d+/.exec((await said())!));
  await page.getByRole('button', { name: 'Take it away' }).press('Enter');
  await expect.poll(async () => Number(/\d+/.exec((await said())!))).toBe(first - 1);
});

test('everything can be done by keyboard alone', async ({ page, demo }) => {
  await goTo(page, '/today');
  await expect(page.locator('oc-task-card').first()).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Help' })).toBeVisible();
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
  const first = page.locator('oc-task-card').first();
  const next = await first.locator('.of a').textContent();
  await page.keyboard.press('l');
  await expect(page.getByRole('dialog')).toContainText(`Log to ${next}`);
  await page.keyboard.type('41.5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('u');
  await expect(page.getByRole('status').filter({ hasText: `Taken back, ${next}: 41.5 °C` })).toBeVisible();

  // N goes to the control that records the next hands
  await page.keyboard.press('n');
  const control = first.locator('[data-next-hands] button');
  await expect(control).toBeFocused();
  const done = (await control.getAttribute('aria-label'))!;
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: done, exact: true })).toHaveCount(0);
});

test('the household’s hours are kept, and the hands follow them', async ({ page, demo }) => {
  await goTo(page, '/today');
  const strain = page.locator('oc-task-card').filter({ hasText: 'Tie it up in cloth' });
  // a night that is long enough to hold its time, wherever that lies now
  const hour = Number(/(\d\d):\d\d/.exec((await strain.locator('time').textContent())!)![1]);
  const clock = (h: number) => `${String((h + 24) % 24).padStart(2, '0')}:00`;
  await page.getByRole('button', { name: /^The household/ }).click();
  const dialog = page.getByRole('dialog', { name: 'The household' });
  await dialog.getByRole('combobox', { name: 'Asleep from' }).click();
  await page.getByRole('option', { name: clock(hour - 12) }).click();
  await dialog.getByRole('combobox', { name: 'until' }).first().click();
  await page.getByRole('option', { name: clock(hour + 3) }).click();
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(strain.locator('time')).toContainText(clock(hour + 3));
  await page.reload();
  await expect(strain.locator('time')).toContainText(clock(hour + 3));
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
  await page.reload();
  for (const path of PLACES) {
    await goTo(page, path);
    await expect(livePour(page, path)).toBeVisible();
  }
  expect(elsewhere).toEqual([]);
  expect(errors).toEqual([]);
});
