import type { Page } from '@playwright/test';
import { expect, test } from '../support/dairy.js';
import { keptLine } from '../support/kept-lines.js';
import { goTo } from '../support/page.js';

const board = (page: Page, name: string) => page.getByRole('region', { name, exact: true });
const save = (page: Page) => page.getByRole('button', { name: 'Save', exact: true }).click();

async function add(page: Page, where: string, kind: string): Promise<void> {
  await page.getByRole('combobox', { name: `Add to ${where}` }).click();
  await page.getByRole('option', { name: kind, exact: true }).click();
}

test('milk is put into an empty larder from its label, made of, and falls as it is used', async ({ page, empty }) => {
  await goTo(page, '/larder');
  await expect(page.getByText('Add the milk you have')).toBeVisible();
  await add(page, 'Cold', 'Milk');
  await page.getByRole('textbox', { name: 'Name' }).fill('Morning milk');
  const amount = page.getByRole('spinbutton', { name: 'There is' });
  await amount.fill('6000');
  await amount.press('Tab');
  await page.getByRole('button', { name: 'for a serving' }).click();
  const fat = page.getByRole('spinbutton', { name: 'Fat' });
  await fat.fill('9.6');
  await fat.press('Tab');
  await expect(page.getByText(/In 100 g: 4 g fat/)).toBeVisible();
  await save(page);
  await expect(board(page, 'Cold').getByRole('link', { name: /Morning milk/ })).toContainText('6.00 kg, 4.0 %');

  // a wrong figure is said at its field, and what was written stays
  await amount.fill('99999999');
  await amount.press('Tab');
  await expect(page.getByRole('alert')).toContainText('From 0 to 10000000 g.');
  await amount.fill('6000');
  await amount.press('Tab');

  // the make is scaled to it
  await goTo(page, '/methods/strained-yogurt');
  await page.getByRole('combobox', { name: 'Milk', exact: true }).click();
  await page.getByRole('option', { name: /Morning milk/ }).click();
  await page.getByRole('button', { name: /^Use up Morning milk/ }).click();
  const sheet = page.getByRole('region', { name: 'The make sheet' });
  await expect(sheet.getByRole('alert').first()).toContainText('needs a pot of 6.8 L');
  const pot = page.getByRole('spinbutton', { name: 'The pot holds' });
  await pot.fill('8');
  await pot.press('Tab');
  await expect(sheet.getByText('6.00 kg', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Start this make' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Took 6.00 kg' })).toBeVisible();
  await goTo(page, '/larder');
  const morning = board(page, 'Cold').getByRole('link', { name: /Morning milk/ });
  await expect(morning).toContainText('none left');
  await morning.click();
  await expect(page.getByRole('link', { name: 'Strained yogurt', exact: true })).toBeVisible();
});

test('two people write the same lot: the later is shown both, and decides', async ({ page, demo, context }) => {
  const other = await context.newPage();
  for (const p of [page, other]) {
    await p.goto(`${demo.address}/larder`);
    await board(p, 'Cold')
      .getByRole('link', { name: /Goats’ milk/ })
      .click();
  }
  // the second page keeps what it read: it is cut off while the first saves
  await other.route('**/api/v1/events', (route) => route.abort());
  await other.getByRole('textbox', { name: 'Name' }).fill('Goats, mine');
  await page.getByRole('textbox', { name: 'Name' }).fill('Goats, theirs');
  await save(page);
  await expect(board(page, 'Cold').getByRole('link', { name: /Goats, theirs/ })).toBeVisible();
  await save(other);
  const both = other.getByRole('alert').filter({ hasText: 'Somebody else has changed this' });
  await expect(both).toContainText('Goats, mine');
  await expect(both).toContainText('Goats, theirs');
  await other.getByRole('button', { name: 'Keep yours' }).click();
  await expect(board(page, 'Cold').getByRole('link', { name: /Goats, mine/ })).toBeVisible();
});

test('what is being written outlives the page; what is taken away comes back', async ({ page, demo }) => {
  await goTo(page, '/larder');
  await board(page, 'Gear')
    .getByRole('link', { name: /Milk pan/ })
    .click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Little pan');
  await page.waitForTimeout(400);
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('Little pan');
  await save(page);
  await expect(board(page, 'Gear').getByRole('link', { name: /Little pan/ })).toBeVisible();
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(board(page, 'Gear').getByRole('link', { name: /Little pan/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(board(page, 'Gear').getByRole('link', { name: /Little pan/ })).toBeVisible();
});

test('a make is found by what is near its date, and decided of it', async ({ page, demo }) => {
  await goTo(page, '/methods');
  await page.getByRole('combobox', { name: 'Of' }).click();
  await page.getByRole('option', { name: /Skimmed-off cream/ }).click();
  const makes = page.getByRole('region', { name: 'Makes' });
  await expect(makes.getByRole('button', { name: /^Strained yogurt/ })).toHaveCount(0);
  await makes.getByRole('button', { name: /^Cultured butter/ }).click();
  const sheet = page.getByRole('region', { name: 'The make sheet' });
  await expect(sheet.getByText('Skimmed-off cream', { exact: true })).toBeVisible();
  await expect(sheet.getByText('4.20 kg', { exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start this make' })).toBeEnabled();
});

test('all of it by keyboard: a lot is added, named and saved', async ({ page, demo }) => {
  await goTo(page, '/today');
  await expect(page.locator('oc-task-card').first()).toBeVisible();
  await page.keyboard.press('6');
  await expect(page).toHaveURL(/larder/);
  const add = page.getByRole('combobox', { name: 'Add to Bottles, jars and cloth' });
  await add.press('Enter');
  const salt = page.getByRole('option', { name: 'Salt', exact: true });
  await expect(salt).toBeVisible();
  await page.keyboard.type('Salt');
  await expect(salt).toHaveClass(/p-focus/);
  await page.keyboard.press('Enter');
  const name = page.getByRole('textbox', { name: 'Name' });
  await expect(name).toHaveValue('Salt');
  await expect(name).toBeFocused();
  await page.keyboard.type('Grey salt');
  await page.keyboard.press('Enter');
  await expect(board(page, 'Bottles, jars and cloth').getByRole('link', { name: /Grey salt/ })).toContainText(
    '1.00 kg',
  );
});

test('a pot is measured step by step, the fit drawn and kept; on a telephone one thing is open at a time', async ({
  page,
  demo,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await goTo(page, '/larder');
  await board(page, 'Gear')
    .getByRole('link', { name: /Middle pot/ })
    .click();
  await expect(page.getByRole('heading', { name: 'Middle pot' })).toBeInViewport();
  await expect(board(page, 'Cold')).toBeHidden();
  const measuring = page.getByRole('region', { name: 'Measuring' });
  await expect(measuring).toContainText('not measured yet');
  await measuring.getByRole('button', { name: 'Measure it' }).click();
  for (const shown of ['71', '64.5', '58']) {
    const temp = measuring.getByRole('spinbutton', { name: 'The thermometer shows' });
    await temp.fill(shown);
    await temp.press('Tab');
    await measuring.getByRole('button', { name: 'Note it now' }).click();
    await expect(measuring.getByRole('listitem').filter({ hasText: `${Number(shown).toFixed(1)} °C` })).toBeVisible();
    demo.pass(25);
  }
  await expect(measuring.getByRole('img')).toHaveAccessibleName(/Temperatures noted, and the fit/);
  await expect(measuring.getByRole('status')).toContainText('Over the first hour');

  // the notes outlive the page; the figure is kept with the pot
  await page.reload();
  await expect(measuring.getByRole('listitem').filter({ hasText: '64.5 °C' })).toBeVisible();
  await measuring.getByRole('button', { name: 'Keep this figure' }).click();
  await expect(measuring).toContainText(/\d\.\d\d W\/°C/);
  await page.getByRole('link', { name: 'Close' }).click();
  await expect(board(page, 'Cold')).toBeVisible();
});

test('a make is found by a line that says what there is, and asked whether it goes into the flask', async ({
  page,
  demo,
}) => {
  await goTo(page, '/methods');
  await page
    .getByRole('textbox', { name: 'Say what there is, or what you want' })
    .fill('2 L cream near its date, 40 hours');
  await expect(page.getByRole('main').getByRole('status')).toContainText(
    'Read as: 2.06 kg of Skimmed-off cream; ready within 40 h.',
  );
  const makes = page.getByRole('region', { name: 'Makes' });
  await expect(makes.getByRole('button', { name: /^Cultured cream \d/ })).toBeVisible();
  await expect(makes.getByRole('button', { name: /yogurt/ })).toHaveCount(0);

  await goTo(page, '/methods/scalded-yogurt');
  await page.getByRole('button', { name: /^Keeping warm/ }).click();
  await page.getByRole('button', { name: 'Blue flask' }).click();
  const sheet = page.getByRole('region', { name: 'The make sheet' });
  await expect(sheet.getByRole('alert').first()).toContainText('Blue flask takes 1.90 kg of milk, not 4.00 kg.');
  await expect(page.getByRole('button', { name: 'Start this make' })).toBeDisabled();
  await sheet.getByRole('button', { name: 'Milk and cream together: 1.9 kg' }).click();
  await expect(sheet.getByText('1.90 kg', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Start this make' }).click();
  await expect(page).toHaveURL(/\/make\//);
  const batchId = new URL(page.url()).pathname.split('/').at(-1);
  const begun = await keptLine(page, demo, (line) => line.batchId === batchId && line.body.type === 'started');
  expect(begun.body.gear).toHaveLength(1);
});
