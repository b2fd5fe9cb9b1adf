import { expect, test } from '../support/dairy.js';
import { linesOf } from '../support/kept-lines.js';

const MIN = 60_000;

/** A clock time so many hours before another, as it is typed. */
const hoursBefore = (clock: string, hours: number) => {
  const [h = 0, m = 0] = clock.split(':').map(Number);
  return `${String((h + 24 - hours) % 24).padStart(2, '0')}:${String(m).padStart(2, '0')}`;
};

test('what was done before the page was opened is logged at its own time, and a wrong time is mended or refused in words', async ({
  page,
  empty,
}) => {
  const entries = () => linesOf(page, empty);
  await page.goto(`${empty.address}/methods/scalded-yogurt`);
  const begins = page.getByRole('group', { name: 'When does it begin, or did it?' });
  await begins.getByRole('button', { name: '10 min ago' }).click();
  await page.getByRole('button', { name: /^Start this make/ }).click();
  await expect(page.getByRole('list', { name: 'Stages' })).toBeVisible();

  // Weighed in now, pressed twice: one step.
  const when = page.getByRole('group', { name: 'When was it?' });
  await expect(when).toBeVisible();
  const done = page.getByRole('button', { name: /^It is weighed in/ });
  await done.dblclick();
  await expect.poll(async () => (await entries()).filter(({ body }) => body.type === 'step').length).toBe(1);
  const [start, step] = (await entries()).filter(({ body }) => body.type === 'started' || body.type === 'step');
  expect(step!.atMs - start!.atMs).toBeGreaterThan(9 * MIN);

  // Five minutes earlier would do; five hours earlier there was no make.
  const log = page.locator('oc-log-list');
  await log.getByRole('button', { name: /^Another time: Done: blend/ }).click();
  const pad = page.getByRole('dialog');
  await pad.getByRole('button', { name: 'at…' }).click();
  const field = pad.getByRole('textbox', { name: 'At, by the clock' });
  const stood = await field.inputValue();
  await field.fill(hoursBefore(stood, 5));
  await pad.getByRole('button', { name: 'Correct the time' }).click();
  await expect(pad.getByRole('alert')).toContainText('This make was begun');
  await pad.getByRole('button', { name: '10 min earlier' }).click();
  await pad.getByRole('button', { name: 'Correct the time' }).click();
  await expect(pad).toBeHidden();
  await expect
    .poll(async () => (await entries()).find(({ body }) => body.type === 'correction')?.body.atMs)
    .toBe(step!.atMs - 10 * MIN);
});
