import { expect, test } from '../support/dairy.js';
import { goTo } from '../support/page.js';

test('an empty dairy leads to a first make, decided, started and logged', async ({ page, empty }) => {
  await expect(page.getByRole('heading', { name: 'The crock is empty' })).toBeVisible();
  // worked out before anything was typed
  await expect(page.getByText(/of scalded yogurt: 57 min of hands, ready/)).toBeVisible();
  await page.getByRole('link', { name: 'Make something else' }).click();
  await expect(page).toHaveURL(/\/methods/);

  const sheet = page.getByRole('region', { name: 'The make sheet' });
  await page.getByRole('button', { name: /^Scalded yogurt/ }).click();
  await expect(sheet.getByRole('heading', { name: 'Scalded yogurt', level: 1 })).toBeVisible();
  await page.getByRole('navigation', { name: 'Methods' }).getByRole('link', { name: 'Strained yogurt' }).click();
  await expect(sheet.getByText('4.00 kg', { exact: true })).toBeVisible();

  const pick = async (choice: string, option: RegExp) => {
    await page.getByRole('combobox', { name: choice }).click();
    await page.getByRole('option', { name: option }).click();
    await expect(page.getByRole('listbox')).toBeHidden();
  };

  // the sheet answers each touch
  await page.getByRole('button', { name: 'Milk and cream', exact: true }).click();
  const fat = page.getByRole('spinbutton', { name: 'Fat wanted' });
  await fat.fill('4');
  await fat.press('Tab');
  await expect(sheet.getByText('Cream, 36 % fat')).toBeVisible();
  const product = sheet.getByLabel('What comes of it').locator('b').first();
  const before = await product.textContent();
  await page.getByRole('button', { name: /^Straining/ }).click();
  await pick('Until it is', /^Spreadable/);
  await expect(product).not.toHaveText(before!);

  // a choice that defeats the make says so and cannot be started
  await pick('Until it is', /^Firm/);
  await pick('How', /^Flat/);
  await expect(sheet.getByRole('alert')).toContainText('Hang it, or press it.');
  await expect(page.getByRole('button', { name: 'Start this make' })).toBeDisabled();
  await pick('How', /^Pressed/);

  // what is being decided outlives the page
  await page.getByRole('textbox', { name: 'Name of this make' }).fill('First pot');
  await page.waitForTimeout(400);
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Name of this make' })).toHaveValue('First pot');
  await expect(sheet.getByText('Cream, 36 % fat')).toBeVisible();
  await page.getByRole('button', { name: 'Start this make' }).click();
  await expect(page.getByRole('heading', { name: 'First pot' })).toBeVisible();
  await expect(page.getByRole('img', { name: /First pot: 4\.0\d kg in the crock/ }).first()).toBeVisible();

  // Today asks for the next hands, and takes them as done
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await expect(page.getByRole('heading', { name: /Weigh 3\.\d+ kg whole milk/ })).toBeVisible();
  await page.getByRole('button', { name: /^It is weighed in/ }).click();
  await page.getByRole('button', { name: /^Start heating\. Warm to 85/ }).click();
  await expect(page.getByRole('button', { name: /^It is at 85 °C\. Keep it at 85/ })).toBeVisible();

  // what was chosen is kept when the page is left and opened again
  await goTo(page, '/make');
  await expect(page.getByRole('listitem').filter({ hasText: 'Began: heat 85 °C' })).toBeVisible();
});
