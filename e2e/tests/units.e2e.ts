import type { Locator, Page } from '@playwright/test';
import { expect, test } from '../support/dairy.js';
import { keptLine } from '../support/kept-lines.js';
import { goTo, pick, readAll } from '../support/page.js';

/** A metric quantity, but for what a syringe or a bottle says in mL and a label for 100 g. */
const METRIC = /(?<!(?:[Pp]er|[Ii]n|[Ff]or) )\b\d+(?:\.\d+)? ?(?:°C|kg|g|L|cm|bar)(?!\w)|°C|per kg|a kg\b/;
/** A message that nobody put into words, or a place of it that nothing was put into. */
const UNSAID = /\[object|\bundefined\b|\bNaN\b|^[a-z]+(?:\.[A-Za-z]\w*){2,}$/;
const OF_A_LABEL = /^\d+\.\d g$|g fat, .* g protein/;

/** Nothing on a page is in metric or left unsaid, nor behind each of some controls that open more of it. */
async function expectNothingMetric(page: Page, controls?: Locator): Promise<void> {
  const seen = async () =>
    (await readAll(page)).filter((text) => UNSAID.test(text) || (METRIC.test(text) && !OF_A_LABEL.test(text)));
  expect(await seen()).toEqual([]);
  for (const control of (await controls?.all()) ?? []) {
    if ((await control.getAttribute('aria-expanded')) !== 'true') await control.click();
    expect(await seen()).toEqual([]);
  }
}

const pounds = (page: Page) =>
  page
    .getByRole('main')
    .getByText(/\d+ lb/)
    .filter({ visible: true })
    .first();

async function inOuncesAndFahrenheit(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^The household/ }).click();
  await pick(page, 'Temperature', '°F');
  await pick(page, 'Weights', 'Ounces, pounds');
  await pick(page, 'Spoons and pots', 'US');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
}

test('a household in ounces and Fahrenheit meets nothing metric on any screen', async ({ page, demo }) => {
  await inOuncesAndFahrenheit(page);
  await goTo(page, '/today');
  await expect(page.getByRole('main').getByText(/\d °F/).first()).toBeVisible();
  await expectNothingMetric(page);
  await goTo(page, '/make');
  await page
    .getByRole('link', { name: /Thick yogurt for the quay/ })
    .last()
    .click();
  await expect(pounds(page)).toBeVisible();
  await expectNothingMetric(page, page.getByRole('list', { name: 'Stages' }).getByRole('button'));
  for (const place of ['/methods', '/larder', '/plan']) {
    await goTo(page, place);
    await expect(pounds(page)).toBeVisible();
    await expectNothingMetric(page);
  }
  await goTo(page, '/cultures');
  for (const tool of ['Starter by a time', 'Going away', 'Add a culture']) {
    await page.getByRole('button', { name: tool }).click();
    await expectNothingMetric(page);
  }
  for (const line of ['Quay yogurt', 'Store-room grains']) {
    await goTo(page, '/cultures');
    await page.getByRole('link', { name: line }).first().click();
    await expect(page.getByRole('heading', { name: 'Where it came from' })).toBeVisible();
    await expectNothingMetric(page);
  }
  for (const method of ['strained-yogurt', 'cream-cheese', 'soda-cheese', 'grain-kefir', 'cultured-butter']) {
    await goTo(page, `/methods/${method}`);
    await expect(page.getByRole('heading', { name: 'Weigh out' })).toBeVisible();
    await expectNothingMetric(page, page.getByRole('region', { name: 'Choices' }).locator('.head'));
  }
});

test('units changed and changed back leave every number as it was; what is typed is converted once', async ({
  page,
  empty,
}) => {
  const sheet = `${empty.address}/methods/scalded-yogurt`;
  const amounts = page.getByRole('region', { name: 'Weigh out' }).getByRole('listitem').first();
  await page.goto(sheet);
  await expect(amounts).toContainText('4.00 kg');
  const choices = page.getByRole('region', { name: 'Choices' });
  const before = await choices.innerText();

  await inOuncesAndFahrenheit(page);
  await expect(amounts).toContainText('8 lb 13.1 oz');
  await expect(amounts).toContainText('4 qt');
  const milk = page.getByRole('spinbutton', { name: 'Milk and cream together' });
  await expect(milk).toHaveValue('8.82 lb');
  await page.reload();
  await expect(milk).toHaveValue('8.82 lb');
  await page.getByRole('button', { name: /^The household/ }).click();
  await expect(page.getByRole('spinbutton', { name: 'The cold shelf is at' })).toHaveValue('39.2 °F');
  await pick(page, 'Temperature', '°C');
  await pick(page, 'Weights', 'Grams, kilos');
  await pick(page, 'Spoons and pots', 'Metric');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(amounts).toContainText('4.00 kg');
  expect(await choices.innerText()).toBe(before);

  await inOuncesAndFahrenheit(page);
  await milk.fill('4.41');
  await milk.press('Tab');
  await expect(amounts).toContainText('4 lb 6.6 oz');
  await page.getByRole('button', { name: /^Start this make/ }).click();
  await expect(page.getByRole('list', { name: 'Stages' })).toBeVisible();
  const started = await keptLine(page, empty, ({ body }) => body.type === 'started');
  expect(started.body.choices!['massG']).toBeCloseTo(4.41 * 453.59237, 3);

  // a temperature is typed on the pad as their thermometer shows it
  await expect(page.getByRole('button', { name: 'Log a reading' }).first()).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByRole('dialog')).toContainText('°F');
  await page.keyboard.type('185');
  await page.keyboard.press('Enter');
  await expect(page.locator('oc-log-list').getByRole('listitem').filter({ hasText: '185.0 °F' })).toBeVisible();
});

test('dates and clock times are written as the household writes them', async ({ page, demo }) => {
  await goTo(page, '/today');
  await page.getByRole('button', { name: /^The household/ }).click();
  await pick(page, 'Dates', 'Nov 24, 2:30 PM');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^\w+day \w+ \d+$/);
  await expect(page.getByText(/likely (\w{3} )?\d+:\d\d [AP]M/).first()).toBeVisible();
  expect((await readAll(page)).filter((text) => /\b(?:1[3-9]|2[0-3]):\d\d\b/.test(text))).toEqual([]);
});
