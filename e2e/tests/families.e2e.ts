import { expect, test } from '../support/dairy.js';
import { goTo } from '../support/page.js';

/** Every method by its family and name, and what its sheet must say of it. */
const METHODS: readonly (readonly [string, string, RegExp])[] = [
  ['Yogurt', 'Scalded yogurt', /Product.*kg/s],
  ['Yogurt', 'Cold-start yogurt', /Nothing is heated in this make/],
  ['Yogurt', 'Enriched yogurt', /Skimmed-milk powder/],
  ['Yogurt', 'Room-temperature yogurt', /on the counter under a breathing cloth/],
  ['Yogurt', 'Strained yogurt', /Thick enough.*Acid whey/s],
  ['Yogurt', 'Plant-based yogurt', /Open 2 capsules/],
  ['Kefir', 'Kefir on grains', /never rinse them/],
  ['Kefir', 'Kefir without grains', /Sour enough.*leaves the wall from about/s],
  ['Soured milk', 'Clabber', /Soured cream.*Lift the risen cream/s],
  ['Cream', 'Cultured cream', /Cream, 36 % fat/],
  ['Cream', 'Cultured butter', /Cultured buttermilk.*drink it/s],
  ['Cream', 'Thick acid cream', /stop when it coats the spoon/],
  ['Cream', 'Scalded thick cream', /Thin cream.*Never stir/s],
  ['Fresh cheese', 'Cultured cream cheese', /2 drops.*Thin 2 drops of rennet/s],
  ['Fresh cheese', 'Live-yogurt cream cheese', /Stir 60 g starter/],
  ['Fresh cheese', 'Pressed yogurt cheese', /turn out 3 pieces/],
  ['Fresh cheese', 'Quark and lactic curd', /Stir the set curd smooth/],
  ['Curd', 'Soft curd by acid and heat', /Lemon juice/],
  ['Curd', 'Smooth acid curd', /Blend the curd smooth/],
  ['Curd', 'Cooked soda cheese', /Bicarbonate of soda.*It scorches/s],
  ['Starters', 'Starter, fed', /Stir 15 g starter/],
];

test('every family is decided on its own sheet, and none is empty or broken', async ({ page, empty }) => {
  await goTo(page, '/methods/scalded-yogurt');
  const families = page.getByRole('navigation', { name: 'Families' });
  const methods = page.getByRole('navigation', { name: 'Methods' });
  const sheet = page.getByRole('region', { name: 'The make sheet' });
  await expect(families.getByRole('link')).toHaveCount(new Set(METHODS.map(([family]) => family)).size);
  for (const [family, name, says] of METHODS) {
    await families.getByRole('link', { name: family, exact: true }).click();
    await methods.getByRole('link', { name, exact: true }).click();
    await expect(sheet.getByRole('heading', { name, level: 1 })).toBeVisible();
    await expect(sheet).toContainText(says);
    await expect(sheet.getByRole('alert')).toHaveCount(0);
    await expect(page.getByRole('button', { name: 'Start this make' })).toBeEnabled();
  }
});

test('butter is decided, refused a churn too small, started, and its hands come in order', async ({ page, empty }) => {
  await goTo(page, '/methods/cultured-butter');
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
    /^It is weighed in/,
    /^Put the starter in\. Stir/,
    /^Leave it on the counter\. Put it on the counter/,
    /^It is sour enough\. Spoon/,
    /^It is cold through\. Take it out/,
    /^It is at 12 °C\. Whisk it/,
  ]) {
    await page.getByRole('button', { name: hand }).click();
  }
  await expect(page.getByRole('button', { name: /^It has broken\. Pour it through a cloth/ })).toBeVisible();
});

test('cream cheese is set, ladled, drained in stages, turned and salted, each with its hands', async ({
  page,
  empty,
}) => {
  await goTo(page, '/methods/cream-cheese');
  await page.getByRole('button', { name: /^Setting/ }).click();
  await expect(page.getByText('Its dropper gives')).toBeVisible();
  await page.getByRole('button', { name: 'Culture alone' }).click();
  await expect(page.getByText('Its dropper gives')).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'The make sheet' })).not.toContainText('drops of rennet');
  await page.getByRole('button', { name: 'A trace' }).click();
  await page.getByRole('button', { name: 'Start this make' }).click();
  await expect(page.getByRole('heading', { name: 'Cultured cream cheese' })).toBeVisible();
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  for (const hand of [
    /^It is weighed in/,
    /^Start heating\. Warm it slowly/,
    /^It is at 29 °C\. Stir .* calcium chloride/,
    /^Put the starter in\. Stir 60 g/,
    /^Put the rennet in\. Thin 2 drops/,
    /^Start keeping it warm\. Put it into the thermostat/,
    /^It is sour enough\. Ladle/,
    /^Put it on the cloth\. Spread it/,
    /\. Tie it up/,
    /\. Open the cloth/,
  ]) {
    await page.getByRole('button', { name: hand }).click();
  }
  await expect(page.getByRole('button', { name: /\. Tie it up/ })).toBeVisible();
});
