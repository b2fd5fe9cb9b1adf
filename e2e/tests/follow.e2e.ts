import { expect, test } from '../support/dairy.js';
import { linesOf } from '../support/kept-lines.js';
import { goTo } from '../support/page.js';

test('readings and looks move the forecast; lines are corrected and taken back', async ({ page, demo }) => {
  await goTo(page, '/today');
  await page.getByRole('link', { name: 'Thick yogurt for the quay' }).first().click();
  const headline = page.locator('.headline');
  await expect(headline).toContainText('Sour enough: likely');

  // by the keypad
  await page.getByRole('button', { name: 'Log a reading' }).click();
  const pad = page.getByRole('dialog');
  await pad.getByRole('button', { name: 'pH', exact: true }).click();
  await pad.getByRole('button', { name: 'By strip, ±0.3' }).click();
  for (const key of ['6', '.', '3']) await pad.getByRole('button', { name: key, exact: true }).click();
  await pad.getByRole('button', { name: 'Log it' }).click();
  await expect(pad).toBeHidden();
  const line = page.getByRole('listitem').filter({ hasText: 'pH 6.30 by strip' });
  await expect(line).toBeVisible();

  // a look in one tap
  await page
    .getByRole('group', { name: 'Tilt it: how does it stand?' })
    .getByRole('button', { name: 'liquid' })
    .click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Tilted: liquid' })).toBeVisible();
  await expect(page.getByText('measured pH 6.30').first()).toBeVisible();

  // an impossible reading is refused in words, at the field; Enter logs it, though its time was picked last
  await page.getByRole('button', { name: 'Log a reading' }).click();
  await pad.getByRole('button', { name: 'pH', exact: true }).click();
  await pad.getByRole('button', { name: '10 min ago' }).click();
  await page.keyboard.type('45');
  await page.keyboard.press('Enter');
  await expect(pad.getByRole('alert')).toContainText('Give 9 or less.');
  await page.keyboard.press('Escape');
  await expect(pad).toBeHidden();

  // correct a line: what it said stays to be seen
  await line.getByRole('button', { name: /^Correct/ }).click();
  await expect(page.getByRole('dialog')).toContainText('Correct the line of');
  for (let i = 0; i < 4; i++) await page.keyboard.press('Backspace');
  await page.keyboard.type('5.2');
  await page.getByRole('button', { name: 'Correct it' }).click();
  const corrected = page.getByRole('listitem').filter({ hasText: 'pH 5.20' });
  await expect(corrected.locator('s')).toHaveText('pH 6.30 by strip');

  // undo takes back what this page wrote last, and then what it wrote before: the correction, then the look
  await page.locator('main').click({ position: { x: 5, y: 5 } });
  await page.keyboard.press('u');
  await expect(
    page.getByRole('status').filter({ hasText: 'Taken back, Thick yogurt for the quay: pH 5.20' }),
  ).toBeVisible();
  await expect(line).not.toContainText('pH 5.20');
  await page.keyboard.press('u');
  await expect(page.getByRole('listitem').filter({ hasText: 'Tilted: liquid' }).locator('s')).toBeVisible();
  await page.keyboard.press('y');
  await expect(page.getByRole('listitem').filter({ hasText: 'Tilted: liquid' }).locator('s')).toHaveCount(0);
});

test('a fast clock brings the straining to its end; it is weighed, scored and the balance is shown', async ({
  page,
  demo,
}) => {
  await goTo(page, '/today');
  await page.getByRole('link', { name: 'Thick yogurt for the school' }).first().click();
  await expect(page.locator('.headline')).toContainText('On the cloth');
  const before = (await linesOf(page, demo)).length;
  // most of the five hours at once, the rest at ten minutes a second
  demo.pass(180);
  await page.getByRole('button', { name: '×600' }).click();

  // the simulated instruments go on posting, and the stop comes
  const done = page.getByRole('button', { name: /^It has drained\. .*Weigh/i });
  await expect.poll(async () => (await linesOf(page, demo)).length, { timeout: 60_000 }).toBeGreaterThan(before + 20);
  await expect(page.locator('.headline')).toContainText(/Stop (now|\d+ .* ago|in [1-9] min)/, { timeout: 150_000 });
  await page.getByRole('button', { name: '×1', exact: true }).click();
  await done.click();

  await expect(page.getByRole('heading', { name: 'Weigh it and log what came out' })).toBeVisible();
  await page.getByRole('button', { name: 'Finish the make' }).click();
  await expect(page.getByRole('alert')).toContainText('Weigh the product');
  await page.getByRole('spinbutton', { name: 'Product' }).fill('2500');
  for (const mark of ['Sourness', 'Thickness', 'Smoothness', 'Taste']) {
    await page
      .getByRole('group', { name: new RegExp(`^${mark}`) })
      .getByRole('button', { name: '4' })
      .click();
  }
  await page.getByRole('button', { name: 'Finish the make' }).click();
  await expect(page.locator('.headline')).toContainText('Finished');
  const balance = page.getByRole('table', { name: 'The balance' });
  await expect(balance.getByRole('row', { name: /Product/ })).toContainText('2.50 kg');
  await expect(balance.getByRole('row', { name: /Not accounted for/ })).toBeVisible();
});

test('a killed server loses nothing: what is logged meanwhile waits and is sent once', async ({ page, killed }) => {
  await page.goto(`${killed.address}/today`);
  await page.getByRole('link', { name: 'Thick yogurt for the quay' }).first().click();
  const log = async (text: string) => {
    await page.keyboard.press('l');
    const pad = page.getByRole('dialog');
    await pad.getByRole('button', { name: 'Note' }).click();
    await pad.getByRole('textbox', { name: 'Note' }).fill(text);
    await pad.getByRole('button', { name: 'Log the note' }).click();
    await expect(page.getByRole('listitem').filter({ hasText: text })).toBeVisible();
  };
  await expect(page.locator('.headline')).toContainText('Sour enough');
  await log('before the kill');
  await killed.kill();
  await expect(page.getByRole('status').filter({ hasText: 'not answering' })).toBeVisible();
  await log('while it was gone');
  await expect(page.getByRole('status').filter({ hasText: /[12] waiting/ })).toBeVisible();
  await killed.open();
  await expect(page.getByRole('status').filter({ hasText: 'not answering' })).toBeHidden({ timeout: 30_000 });
  await expect
    .poll(async () => {
      const notes = (await linesOf(page, killed)).filter(({ body }) => body.type === 'note');
      return notes.slice(-2).map(({ body }) => body.text);
    })
    .toEqual(['before the kill', 'while it was gone']);
  await page.reload();
  await expect(page.getByRole('listitem').filter({ hasText: 'while it was gone' })).toHaveCount(1);
});

test('two open pages stay the same: what one logs, the other shows', async ({ page, demo, context }) => {
  const other = await context.newPage();
  for (const tab of [page, other]) {
    await tab.goto(`${demo.address}/today`);
    await tab.getByRole('link', { name: 'Thick yogurt for the quay' }).first().click();
    await expect(tab.locator('.headline')).toContainText('Sour enough');
  }
  await page
    .getByRole('group', { name: 'Tilt it: how does it stand?' })
    .getByRole('button', { name: 'wobbles' })
    .click();
  await expect(other.getByRole('listitem').filter({ hasText: 'Tilted: wobbles' })).toBeVisible();
  await page.getByRole('button', { name: '×60', exact: true }).click();
  await expect(other.getByRole('button', { name: '×60', exact: true })).toHaveAttribute('aria-pressed', 'true');
});

test('a device whose clock is twenty minutes slow says so, and logs the kitchen’s time', async ({ page, demo }) => {
  await page.addInitScript(() => {
    const now = Date.now.bind(Date);
    Date.now = () => now() - 20 * 60_000;
  });
  await page.reload();
  await expect(page.getByRole('status').filter({ hasText: 'This device’s clock is 20 min slow.' })).toBeVisible();
  await page.getByRole('link', { name: 'Thick yogurt for the quay' }).first().click();
  await page
    .getByRole('group', { name: 'Tilt it: how does it stand?' })
    .getByRole('button', { name: 'wobbles' })
    .click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Tilted: wobbles' })).toBeVisible();
  const said = async () => (await linesOf(page, demo)).findLast(({ body }) => body.type === 'cue')!.atMs;
  await expect.poll(async () => Math.abs((await said()) - demo.now())).toBeLessThan(60_000);
});

test('where nothing can be worked out, that is said, and what is logged is kept and sent all the same', async ({
  page,
  demo,
}) => {
  await page.route(/\/worker-\w+\.js/, (route) => route.fulfill({ status: 404, body: '' }));
  await page.goto(`${demo.address}/make`);
  await expect(page.getByRole('alert').filter({ hasText: 'could not start here' })).toBeVisible();
  await page.getByRole('link', { name: 'Thick yogurt for the quay' }).last().click();
  await page.getByRole('button', { name: 'Log a reading' }).click();
  const pad = page.getByRole('dialog');
  await pad.getByRole('button', { name: 'Note' }).click();
  await pad.getByRole('textbox', { name: 'Note' }).fill('by hand today');
  await pad.getByRole('button', { name: 'Log the note' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'by hand today' })).toBeVisible();
  const sent = async () => (await page.request.get(`${demo.address}/api/v1/snapshot`)).text();
  await expect.poll(sent).toContain('by hand today');
  await goTo(page, '/today');
  await expect(page.getByText('Open a make to write into its log')).toBeVisible();
  for (const place of ['/methods/quark', '/plan']) {
    await goTo(page, place);
    await expect(page.getByRole('main').getByText('could not start')).toBeVisible();
  }
});
