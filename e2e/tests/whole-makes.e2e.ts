import type { Locator, Page } from '@playwright/test';
import { expect, test, type Dairy } from '../support/dairy.js';
import { keptLine, linesOf } from '../support/kept-lines.js';
import { goTo } from '../support/page.js';

/** One make of each family, as their methods begin. */
const MAKES = ['scalded-yogurt', 'clabber', 'quark', 'live-kefir', 'cultured-butter', 'smooth-curd'] as const;

/** Weighs what came out, as much as was expected; what a rule holds is held and let go by name first. */
async function finish(page: Page): Promise<void> {
  await expect(page.getByRole('heading', { name: 'Weigh it and log what came out' })).toBeVisible();
  const kept = page.locator('oc-finish-form .problem').first();
  const product = page.getByRole('spinbutton', { name: 'Product' });
  await expect(kept.or(product)).toBeVisible();
  if (await kept.isVisible()) {
    await decide(page, 'Put it on hold', 'A rule holds it.');
    await decide(page, 'Let it go after all', 'For ourselves, today.');
  }
  const [, much = '0', unit] =
    /About ([\d.]+) (kg|g)/.exec((await page.locator('oc-finish-form').textContent())!) ?? [];
  await product.fill(String(Math.round(Number(much) * (unit === 'kg' ? 1000 : 1))));
  await page.getByRole('button', { name: 'Finish the make' }).click();
  await expect(page.locator('.headline')).toContainText('Finished');
  await expect(page.getByRole('heading', { name: 'For the label' })).toBeVisible();
}

async function decide(page: Page, what: string, why: string): Promise<void> {
  await page.getByRole('button', { name: what, exact: true }).click();
  const box = page.locator('oc-decision-box form');
  await box.getByRole('textbox').first().fill(why);
  await box.getByRole('textbox', { name: 'Who decides it?' }).fill('Ine');
  await box.locator('p-button').first().getByRole('button').click();
  await expect(box).toHaveCount(0);
}

/**
 * Says that what is due was done, and waits until the card asks for what comes next. A forecast that comes in just now may
 * put it off before it is pressed: then nothing was done, and the card is looked at anew.
 */
async function done(due: Locator, card: Locator): Promise<void> {
  const step = (await card.locator('h2').textContent())!;
  const pressed = await due.click({ timeout: 2_000 }).then(
    () => true,
    () => false,
  );
  if (!pressed) return;
  await expect(
    card.locator('h2').filter({ hasNotText: step }).or(card.page().getByText('Nothing is on.')),
  ).toBeVisible();
}

/** Lets the clock jump to when hands are needed next, as the first card says, or on until it says so. */
async function untilNext(page: Page, dairy: Dairy): Promise<void> {
  const first = page.locator('oc-task-card').first();
  const said = await first.locator('time').getAttribute('datetime');
  const minutes = (Date.parse(said!) - dairy.now()) / 60_000;
  dairy.pass(Math.max(2, minutes + 0.5));
  await expect(first.locator('.when span')).toHaveText(/^now$|^\d+ min ago|^in [1-5] min/);
}

for (const method of MAKES) {
  test(`${method} is driven to its end by what Today asks for`, async ({ page, empty: dairy }) => {
    const troubles: string[] = [];
    page.on('pageerror', (error) => troubles.push(error.message));
    await goTo(page, `/methods/${method}`);
    const start = page.getByRole('button', { name: 'Start this make' });
    await expect(start).toBeEnabled();
    await start.click();
    await expect(page).toHaveURL(/\/make\//);
    const today = page.getByRole('link', { name: 'Today', exact: true });
    await today.click();
    const weigh = page.locator('a[data-next-hands]').first();
    const due = page.locator('oc-task-card.due [data-next-hands] button').first();
    const next = page.locator('oc-task-card').first();
    for (let finished = false; !finished;) {
      await expect(next).toBeVisible();
      if (await weigh.isVisible()) {
        await weigh.click();
        await finish(page);
        finished = true;
        await today.click();
      } else if (await due.isVisible()) {
        await done(due, next);
      } else {
        await untilNext(page, dairy);
      }
    }
    await expect(page.getByText('Nothing is on. Your hands are free.')).toBeVisible();

    const { batchId } = await keptLine(page, dairy, ({ body }) => body.type === 'finished');
    const own = (await linesOf(page, dairy)).filter((l) => l.batchId === batchId).map((l) => l.body);
    expect(own.find(({ type }) => type === 'started')!.methodId).toBe(method);
    expect(new Set(own.flatMap((b) => b.stageId ?? [])).size, 'every stage was begun').toBeGreaterThan(3);
    expect(troubles).toEqual([]);
  });
}
