import type { Page } from '@playwright/test';
import en from '../../messages/src/texts/en.json' with { type: 'json' };
import es from '../../messages/src/texts/es.json' with { type: 'json' };
import { expect, test } from '../support/dairy.js';
import { goTo, pick, readAll } from '../support/page.js';

const spanish: Readonly<Record<string, string>> = es;
const allSpanish = Object.values(spanish).join('\n');

/** Parts of English texts that no Spanish one has: words enough to be told from a name that the demonstration gave. */
const ENGLISH = [
  ...new Set(
    Object.entries(en)
      .filter(([key, text]) => spanish[key] !== text)
      .flatMap(([, text]) => text.split(/[{}]/).map((part) => part.trim()))
      .filter((part) => part.length >= 14 && part.split(' ').length > 2 && !allSpanish.includes(part)),
  ),
];

const UNSAID = /\[object|\bundefined\b|\bNaN\b|^[a-z]+(?:\.[A-Za-z]\w*){2,}$/;

/** Nothing on a page is in English but the names that somebody gave, and nothing is left unsaid. */
async function expectSpanish(page: Page): Promise<void> {
  const read = await readAll(page);
  expect(read.filter((text) => UNSAID.test(text))).toEqual([]);
  expect(ENGLISH.filter((part) => read.some((text) => text.includes(part)))).toEqual([]);
}

test('a household that chooses Spanish reads it at once and everywhere, with its commas and its days', async ({
  page,
  demo,
}) => {
  expect(ENGLISH.length).toBeGreaterThan(1000);
  await page.getByRole('button', { name: /^The household/ }).click();
  await pick(page, 'Language', 'Español');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('navigation', { name: 'Lugares' }).getByRole('link').first()).toHaveText('Hoy');
  await expect(page.locator('html')).toHaveAttribute('lang', /^es/);
  await goTo(page, '/today');
  await expect(page).toHaveTitle('Hoy, Oat Crock');
  await expect(page.getByRole('heading', { name: 'En camino' })).toBeVisible();
  await expect(
    page
      .getByRole('main')
      .getByText(/\d,\d °C/)
      .filter({ visible: true })
      .first(),
  ).toBeVisible();
  await expectSpanish(page);
  await goTo(page, '/make');
  await page
    .getByRole('link', { name: /Thick yogurt for the quay/ })
    .last()
    .click();
  await expect(page.getByRole('heading', { name: 'Su cocina' })).toBeVisible();
  for (const stage of await page.getByRole('list', { name: 'Etapas' }).getByRole('button').all()) {
    await stage.click();
    await expectSpanish(page);
  }
  for (const [place, seen] of [
    ['/methods', 'Qué hacer'],
    ['/larder', 'Utensilios'],
    ['/ledger', 'Lo que hay'],
    ['/plan', 'Se quiere'],
    ['/cultures', 'Lo que quieren'],
    ['/methods/cream-cheese', 'Pesar'],
    ['/methods/soda-cheese', 'Pesar'],
    ['/methods/grain-kefir', 'Pesar'],
    ['/methods/quark/stages', 'Funciona.'],
  ] as const) {
    await goTo(page, place);
    await expect(
      page.getByRole('main').getByText(seen, { exact: true }).filter({ visible: true }).first(),
    ).toBeVisible();
    await expectSpanish(page);
  }
  // What is typed is read and shown in it: the line of what is at hand by its own example, a reading with its comma.
  await goTo(page, '/methods');
  const line = page.getByLabel('Diga qué hay, o qué quiere');
  await line.fill((await line.getAttribute('placeholder')) ?? '');
  await expect(page.locator('#find-read')).toHaveText(/^Entendido: 2,\d+ kg de .+; listo en 5 h; sin termostato\.$/);
  await goTo(page, '/today');
  await page
    .getByRole('link', { name: /Thick yogurt for the quay/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Anotar una lectura' }).click();
  await page.getByRole('dialog').getByRole('button', { name: ',', exact: true }).waitFor();
  await page.keyboard.type('42.5');
  await expect(page.getByRole('dialog').locator('output')).toHaveText(/^\s*42,5 °C/);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('A las próximas manos');
  await expectSpanish(page);
  await page.keyboard.press('Escape');

  // A device that opens the page anew begins in the language of the house; what the server says is in it, too.
  await page.goto(`${demo.address}/methods/strained-yogurt`);
  await expect(page.getByRole('heading', { name: 'Pesar' })).toBeVisible();
  const refused = await page.request.put(`${demo.address}/api/v1/settings`, { data: {} });
  expect((await refused.json()) as unknown).toMatchObject({ title: '¿Sobre qué versión va esto?' });
  expect(await (await page.request.get(`${demo.address}/api/v1/plan.ics`)).text()).toContain('Oat Crock: manos');
});

test('a decimal is typed with a comma or a point, in either language, and shown as the household writes it', async ({
  page,
  empty,
}) => {
  await page.goto(`${empty.address}/methods/strained-yogurt`);
  await page.getByRole('button', { name: 'Milk and cream', exact: true }).click();
  const wanted = page.getByRole('spinbutton', { name: /^(Fat wanted|Grasa deseada)$/ });
  const typed = async (digits: string) => {
    await wanted.fill('');
    await wanted.pressSequentially(digits);
    await wanted.blur();
  };
  await typed('2,5');
  await expect(wanted).toHaveValue('2.5 %');
  await page.getByRole('button', { name: /^The household/ }).click();
  await pick(page, 'Language', 'Español');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(wanted).toHaveValue('2,5 %');
  await typed('3.25');
  await expect(wanted).toHaveValue('3,25 %');
  await typed('1,75');
  await expect(wanted).toHaveValue('1,75 %');
});
