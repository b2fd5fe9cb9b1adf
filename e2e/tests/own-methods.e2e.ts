import { readFileSync } from 'node:fs';
import { expect, test } from '../support/dairy.js';
import { type Box, goTo, restingBoxes } from '../support/page.js';

test('a variant is kept, compared, made into a file and read back as another', async ({ page, demo }) => {
  await goTo(page, '/methods/scalded-yogurt');
  const sheet = page.getByRole('region', { name: 'The make sheet' });
  await sheet.getByRole('button', { name: 'Compare', exact: true }).click();
  await page.getByRole('button', { name: /^Keeping warm/ }).click();
  const sour = page.getByRole('spinbutton', { name: 'Sour until' });
  await sour.fill('4.3');
  await sour.press('Tab');
  const beside = sheet.getByRole('table', { name: 'Side by side' });
  await expect(beside.getByRole('row', { name: /^Sour until/ })).toContainText('pH 4.30');
  await sheet.getByRole('button', { name: 'Stop comparing' }).click();

  await sheet.getByRole('button', { name: 'Keep as your own' }).click();
  await sheet.getByRole('textbox', { name: 'Call it' }).fill('Sharp yogurt');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet.getByRole('heading', { name: 'Sharp yogurt', level: 1 })).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    sheet.getByRole('button', { name: 'To a file' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('sharp-yogurt.method.json');
  const text = readFileSync(await file.path(), 'utf8');
  const { oatCrock, version, method } = JSON.parse(text) as {
    oatCrock: string;
    version: number;
    method: { name: string };
  };
  expect([oatCrock, version, method.name]).toEqual(['method', 1, 'Sharp yogurt']);

  const open = sheet.getByLabel('From a file');
  await open.setInputFiles({
    name: 'no.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"oatCrock":"soup"}'),
  });
  await expect(sheet.getByRole('alert').first()).toContainText('oatCrock');
  const renamed = text.replaceAll('Sharp yogurt', 'Sharper yogurt');
  await open.setInputFiles({ name: 'a.json', mimeType: 'application/json', buffer: Buffer.from(renamed) });
  await expect(sheet.getByRole('heading', { name: 'Sharper yogurt', level: 1 })).toBeVisible();

  // it is started, and stays what it was when the method is taken away
  await page.getByRole('button', { name: 'Start this make' }).click();
  await expect(page).toHaveURL(/\/make\//);
  await expect(page.getByRole('heading', { name: 'Sharper yogurt' }).first()).toBeVisible();
  await page.goBack();
  await sheet.getByRole('button', { name: 'Take it away' }).click();
  await goTo(page, '/make');
  await page.reload();
  await expect(page.getByText('Sharper yogurt').first()).toBeVisible();
});

test('a method is written from stages by drag and by key, tried by the engine at every touch', async ({
  page,
  demo,
}) => {
  await goTo(page, '/methods/scalded-yogurt/stages');
  const order = page.getByRole('region', { name: 'Its stages in order' });
  const about = page.getByRole('region', { name: 'The stage' });
  await expect(about.getByRole('status')).toContainText('It works.');
  const names = () => order.locator('li b').allTextContents();
  const before = await names();

  // by drag: the last stage before the first; nothing is in the pot then
  const grips = order.locator('.grip');
  await expect(page.locator('oc-shelf .name').first()).toBeVisible();
  const [from, to] = (await restingBoxes(page, grips.last(), grips.first())) as [Box, Box];
  await page.mouse.move(from.x + 8, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(to.x + 8, to.y + 20, { steps: 12 });
  await page.mouse.move(to.x + 8, to.y + 2, { steps: 4 });
  await page.mouse.up();
  await expect(about.getByRole('status')).toContainText('blend, base or bought');
  expect((await names())[0]).toBe(before.at(-1));
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeDisabled();

  // by key: back again, one place at a time
  await order
    .getByRole('button', { name: before.at(-1)!, exact: true })
    .first()
    .focus();
  for (let i = 1; i < before.length; i++) {
    await page.keyboard.press('Alt+ArrowDown');
    await expect.poll(async () => (await names())[i]).toBe(before.at(-1));
    await order.locator('li.here button.stage').focus();
  }
  await expect(about.getByRole('status')).toContainText('It works.');

  // a choice is settled, and is no longer asked on the sheet
  await order.getByRole('button', { name: /^heat/ }).first().click();
  await about.getByRole('button', { name: 'Settle it' }).first().click();
  await page.getByRole('textbox', { name: 'Name of the method' }).fill('Yogurt, plainly');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toHaveCount(0);
  await page.getByRole('link', { name: 'Back to the sheet' }).click();
  await expect(page.getByRole('heading', { name: 'Yogurt, plainly', level: 1 })).toBeVisible();
});

test('every sheet of the house prints on one page, its cautions laid open', async ({ page, demo }) => {
  test.setTimeout(120_000);
  await goTo(page, '/methods');
  const makes = page.getByRole('region', { name: 'Makes' }).getByRole('button');
  await expect(makes).toHaveCount(20);
  for (let i = 0; i < 20; i++) {
    const name = await makes.nth(i).locator('b').textContent();
    await makes.nth(i).click();
    await expect(page.locator('.hands li').first()).toBeAttached();
    await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
    await expect(page.locator('details.cautions')).toHaveAttribute('open');
    const pdf = await page.pdf({ preferCSSPageSize: true });
    expect(pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g), name!).toHaveLength(1);
    await page.goBack();
    await expect(makes).toHaveCount(20);
  }
});
