import { deflateSync } from 'node:zlib';
import { expect, test } from '../support/dairy.js';
import { goTo, seriousFaults } from '../support/page.js';

/** A small PNG of one colour, made here. */
function picture(side: number): Buffer {
  const crcTable = Array.from({ length: 256 }, (_, n) => {
    let c = n;
    for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
    return c >>> 0;
  });
  const crc = (bytes: Buffer) => {
    let c = 0xffffffff;
    for (const byte of bytes) c = crcTable[(c ^ byte) & 255]! ^ (c >>> 8);
    return (c ^ 0xffffffff) >>> 0;
  };
  const chunk = (type: string, data: Buffer) => {
    const named = Buffer.concat([Buffer.from(type), data]);
    const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(data.length);
    sum.writeUInt32BE(crc(named));
    return Buffer.concat([length, named, sum]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(side, 0);
  head.writeUInt32BE(side, 4);
  head.set([8, 2, 0, 0, 0], 8);
  const row = Buffer.concat([Buffer.from([0]), Buffer.alloc(3 * side, 0xc8)]);
  const rows = deflateSync(Buffer.concat(Array.from({ length: side }, () => row)));
  const signature = Buffer.from('89504e470d0a1a0a', 'hex');
  return Buffer.concat([signature, chunk('IHDR', head), chunk('IDAT', rows), chunk('IEND', Buffer.alloc(0))]);
}

test('acid goes in by parts until the whey is clear; a picture, a hold and a reason stay with the make', async ({
  page,
  empty,
}) => {
  await goTo(page, '/methods/smooth-curd');
  await page.getByRole('button', { name: 'Start this make' }).click();
  for (const hand of [/^It is weighed in/, /^Start heating/, /^It is at 95 °C/]) {
    await page.getByRole('button', { name: hand }).click();
  }
  const acidIn = page.getByRole('row', { name: /^Lemon juice in/ });
  await expect(acidIn).toContainText('167 mL');

  // one part by the pad, as it is offered there
  await page.getByRole('button', { name: 'Lemon juice', exact: true }).click();
  await page.getByRole('button', { name: /^One part is/ }).click();
  await page.keyboard.press('Enter');
  await expect(acidIn).toContainText(/\d\d mL$/);
  const part = Number(/(\d+) mL$/.exec((await acidIn.textContent())!.trim())![1]);
  expect(part).toBeGreaterThan(40);
  expect(part).toBeLessThan(70);

  // another, as the whey calls for it
  await page.getByRole('button', { name: 'cloudy' }).click();
  await page.getByRole('button', { name: /^It is in: Stir in another/ }).click();
  await expect(acidIn).toContainText(new RegExp(`${2 * part - 1}|${2 * part}|${2 * part + 1}`));
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'clear', exact: true }).click();
  await page.getByRole('button', { name: /^Done, on to the next: Stop here/ }).click();
  await expect(page.locator('.headline')).toContainText('Rest');

  // a picture is made smaller, kept, and shown again after the page was left
  await page
    .getByLabel('Add a picture')
    .setInputFiles({ name: 'curd.png', mimeType: 'image/png', buffer: picture(1600) });
  const shown = page.locator('oc-photos img');
  await expect(shown).toHaveCount(1);
  await page.reload();
  await expect.poll(() => shown.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(1280);
  await page
    .getByLabel('Add a picture')
    .setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('no') });
  await expect(page.getByRole('alert').filter({ hasText: 'no picture' })).toBeVisible();

  // held by name, seen on Today, let go by keyboard
  await page.getByRole('button', { name: 'Put it on hold' }).click();
  await page.getByRole('textbox', { name: 'Why is it held?' }).fill('It caught on the bottom.');
  await page.getByRole('textbox', { name: 'Who decides it?' }).fill('Ine');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/On hold since .* by Ine: It caught on the bottom/)).toBeVisible();
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await expect(page).toHaveURL(/\/today/);
  await expect(page.getByText('On hold, by Ine: It caught on the bottom.')).toBeVisible();
  await page.goBack();
  await page.getByRole('button', { name: 'Let it go after all' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: 'Why may it go out?' }).fill('Strained off clean.');
  await page.keyboard.press('Enter');
  await expect(page.getByText('On hold since')).toHaveCount(0);

  // why it is as it is, and what to do otherwise
  await page.getByRole('combobox', { name: 'What is not as it should be' }).click();
  await page.getByRole('option', { name: 'The curd will not part from its whey.' }).click();
  const why = page.locator('oc-why-panel');
  await expect(why.getByRole('heading', { level: 3 }).first()).toContainText('%');
  await why.getByRole('button', { name: 'Decide the next make so' }).first().click();
  await expect(page).toHaveURL(/\/methods\/smooth-curd/);
});
