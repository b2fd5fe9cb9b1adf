import { expect, test } from '../support/dairy.js';

/** Every method by its name, and what its sheet must say of it. */
const METHODS: readonly (readonly [string, RegExp])[] = [
  ['Scalded yogurt', /Product.*kg/s],
  ['Cold-start yogurt', /Nothing is heated in this make/],
  ['Enriched yogurt', /Skimmed-milk powder/],
  ['Room-temperature yogurt', /on the counter under a cloth/],
  ['Strained yogurt', /Thick enough.*Whey/s],
  ['Kefir without grains', /Sour enough/],
  ['Cultured cream', /Cream, 36 % fat/],
  ['Cultured butter', /Buttermilk.*drink it/s],
  ['Soft curd by acid and heat', /Lemon juice/],
  ['Smooth acid curd', /Blend the curd smooth/],
];

test('every family is decided on its own sheet, and none is empty or broken', async ({ page, empty }) => {
  await page.goto(`${empty.address}/methods`);
  const methods = page.getByRole('navigation', { name: 'Methods' });
  const sheet = page.getByRole('region', { name: 'The make sheet' });
  await expect(methods.getByRole('link')).toHaveCount(METHODS.length);
  for (const [name, says] of METHODS) {
    await methods.getByRole('link', { name, exact: true }).click();
    await expect(sheet.getByRole('heading', { name, level: 1 })).toBeVisible();
    await expect(sheet).toContainText(says);
    await expect(sheet.getByRole('alert')).toHaveCount(0);
    await expect(page.getByRole('button', { name: 'Start this make' })).toBeEnabled();
  }
});

test('butter is decided, refused a churn too small, started, and its hands come in order', async ({ page, empty }) => {
  await page.goto(`${empty.address}/methods/cultured-butter`);
  await page.getByRole('button', { name: /^Churning/ }).click();
  const holds = page.getByRole('spinbutton', { name: 'It holds' });
  await holds.fill('1');
  await holds.press('Tab');
  await expect(page.getByRole('region', { name: 'The make sheet' }).getByRole('alert')).toContainText('too full of it');
  await expect(page.getByRole('button', { name: 'Start this make' })).toBeDisabled();
  await holds.fill('3');
  await holds.press('Tab');
  await page.getByRole('button', { name: 'Start this make' }).click();
  await expect(page.getByRole('heading', { name: 'Cultured butter' })).toBeVisible();
  await expect(page.getByRole('row', { name: /^Buttermilk/ })).toBeVisible();
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  for (const hand of [
    /^Done: Stir/,
    /^Done: Put it on the counter/,
    /^Done: Spoon/,
    /^Done: Take it out/,
    /^Done: Whisk it/,
  ]) {
    await page.getByRole('button', { name: hand }).click();
  }
  await expect(page.getByRole('button', { name: /^Done: Pour it through a cloth/ })).toBeVisible();
});
