import type { Page } from '@playwright/test';
import ICAL from 'ical.js';
import { expect, test } from '../support/dairy.js';
import { HOUR } from '../support/hour.js';
import { type Box, goTo, seriousFaults, restingBoxes } from '../support/page.js';

const lanes = (page: Page) => page.locator('oc-plan-lanes');
const pour = (page: Page, name: string | RegExp) => lanes(page).getByRole('button', { name });

/** Events of the calendar as a second parser reads them, by their UID. */
async function eventsOf(page: Page, address: string) {
  const text = await (await page.request.get(`${address}/api/v1/plan.ics`)).text();
  const calendar = new ICAL.Component(ICAL.parse(text) as never);
  return new Map(
    calendar.getAllSubcomponents('vevent').map((component) => {
      const event = new ICAL.Event(component);
      return [
        event.uid,
        {
          summary: event.summary,
          startMs: event.startDate.toJSDate().getTime(),
          sequence: Number(component.getFirstPropertyValue('sequence') ?? 0),
          status: String(component.getFirstPropertyValue('status')),
          alarms: component.getAllSubcomponents('valarm').length,
        },
      ] as const;
    }),
  );
}

/** A kitchen that never sleeps, with one small warm box: what stands in it keeps all else waiting. */
async function smallKitchen(page: Page, address: string): Promise<void> {
  const told = await page.request.get(`${address}/api/v1/settings`);
  const settings = (await told.json()) as object;
  const put = await page.request.put(`${address}/api/v1/settings`, {
    headers: { 'if-match': told.headers()['etag'] ?? '*' },
    data: { ...settings, asleepFromH: 6, asleepToH: 6, worksFromH: 0, worksToH: 24 },
  });
  expect(put.ok()).toBe(true);
  const pieces = [
    ['pot', 'Tall pot', 6, 3],
    ['thermostat', 'Small box', 5, 1],
    ['strainer', 'Sieve', 5, 2],
    ['cold-shelf', 'Shelf', 100, 1],
    ['hob', 'Ring', null, 1],
  ] as const;
  for (const [i, [kind, name, holdsL, count]] of pieces.entries()) {
    const id = `01K00000000000000000000${String(i).padStart(3, '0')}`;
    const done = await page.request.put(`${address}/api/v1/gear/${id}`, {
      headers: { 'if-none-match': '*' },
      data: { id, kind, name, holdsL, count, learned: {}, note: '' },
    });
    expect(done.ok()).toBe(true);
  }
}

/** The day of the week, as the page writes it, so many days from the kitchen's present. */
const dayIn = (days: number, nowMs: number) =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'short', timeZone: HOUR.zone }).format(nowMs + days * 86_400_000);

/** Wants something by the form: some time, or every week on some day; as a make of its own, or with others alike. */
async function want(page: Page, what: string, whom: string, when: string, day?: string, alone = true): Promise<void> {
  await page.getByRole('button', { name: 'Want something' }).click();
  const form = page.getByRole('form', { name: 'What is wanted' });
  await form.getByRole('combobox', { name: 'What' }).click();
  await page.getByRole('option', { name: what, exact: true }).click();
  await form.getByRole('combobox', { name: 'When' }).click();
  await page.getByRole('option', { name: when }).click();
  if (day) {
    await form.getByRole('combobox', { name: 'On' }).click();
    await page.getByRole('option', { name: day, exact: true }).click();
  }
  await form.getByRole('textbox', { name: 'For whom' }).fill(whom);
  if (alone) {
    await form.getByRole('combobox', { name: 'Batch' }).click();
    await page.getByRole('option', { name: 'always on its own' }).click();
  }
  await form.getByRole('button', { name: 'Want it' }).click();
  await expect(form).toHaveCount(0);
}

test('a week is planned, its first make begun, and where that runs late the plan is mended with one key', async ({
  page,
  empty,
}) => {
  await smallKitchen(page, empty.address);
  await goTo(page, '/plan');
  await expect(page.getByText('Say what you want to have')).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  await want(page, 'Scalded yogurt', 'the quay', 'Some time');
  await want(page, 'Scalded yogurt', 'the school', 'Some time');
  await want(page, 'Scalded yogurt', 'the market', 'Every week', dayIn(4, empty.now()));

  // whole plans side by side; one is taken with a key
  await page.getByRole('button', { name: 'Plan anew' }).click();
  await expect(page.getByText('Not taken yet:')).toBeVisible();
  await expect(pour(page, /for the quay/)).toBeVisible();
  await page.keyboard.press('t');
  await expect(page.getByText('Taken.')).toBeVisible();
  await expect.poll(async () => (await eventsOf(page, empty.address)).size).toBeGreaterThan(6);
  await page.getByRole('button', { name: 'Week' }).click();
  expect(await seriousFaults(page)).toEqual([]);

  // the first is begun from the plan
  const names = ['the quay', 'the school'];
  const starts = await Promise.all(
    names.map(async (name) => (await pour(page, new RegExp(`for ${name}`)).getAttribute('data-pour')) ?? ''),
  );
  const before = await eventsOf(page, empty.address);
  const startOf = (id: string) =>
    Math.min(...[...before].filter(([uid]) => uid.startsWith(id)).map(([, event]) => event.startMs));
  const [soon, later] = startOf(starts[0]!) < startOf(starts[1]!) ? [0, 1] : [1, 0];
  await pour(page, new RegExp(`for ${names[soon]!}`)).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('link', { name: /Begin it now|Its sheet/ }).click();
  await expect(page.getByRole('paragraph').filter({ hasText: 'For the plan:' })).toContainText(names[soon]!);
  await page.getByRole('button', { name: 'Start this make' }).click();
  await expect(page).toHaveURL(/\/make\//);

  // its milk goes cold into the box: it takes hours longer, and keeps the box
  const batchId = new URL(page.url()).pathname.split('/').at(-1)!;
  for (const says of [
    /^It is weighed in/,
    /^Start heating/,
    /^It is at 85/,
    /^It has had its time/,
    /^It is at 44/,
    /^Start keeping it warm/,
  ]) {
    await page.getByRole('button', { name: says }).click();
  }
  // followed to where it now is: only then does the plan know how long the box is taken
  await expect(page.getByRole('button', { name: /^It is sour enough/ })).toBeVisible();
  await page.keyboard.press('2');
  await expect(page).toHaveURL(/\/plan/);
  await expect(lanes(page).locator(`[data-pour="${batchId}"]`)).toBeVisible();
  const broken = page.getByRole('alert').filter({ hasText: 'The plan no longer holds.' });
  await expect(broken).toContainText(/Small box is taken by/);
  await expect(broken).toContainText(/is begun .+ later; its hands then come \w+ \d\d:\d\d/);

  // The late make is glanced at first, then looked at: what it says then stands.
  let said = '';
  await expect(async () => {
    const before = said;
    said = (await broken.textContent())!;
    expect(said).toBe(before);
  }).toPass({ intervals: [2000] });

  // mended with one key, undone with another, and mended again
  const moved = `${starts[later]!}-`;
  const wasMs = startOf(starts[later]!);
  const nowAt = async () => {
    const events = [...(await eventsOf(page, empty.address))].filter(([uid]) => uid.startsWith(moved));
    return Math.min(...events.map(([, event]) => event.startMs));
  };
  await page.keyboard.press('r');
  await expect(broken).toHaveCount(0);
  await expect.poll(nowAt).toBeGreaterThan(wasMs);
  await page.keyboard.press('u');
  await expect(broken).toBeVisible();
  await expect.poll(nowAt).toBe(wasMs);
  await expect(broken).toContainText(/is begun .+ later; its hands then come \w+ \d\d:\d\d/);
  await page.keyboard.press('r');
  await expect(broken).toHaveCount(0);
  await expect.poll(nowAt).toBeGreaterThan(wasMs);

  // read again, the calendar replaces what it said before, and has of what is begun the hands that are left, where its forecast has them
  const after = await eventsOf(page, empty.address);
  for (const [uid, event] of before) {
    if (!uid.startsWith(moved)) continue;
    expect(after.get(uid)!.summary).toBe(event.summary);
    expect(after.get(uid)!.sequence).toBeGreaterThan(event.sequence);
    expect(after.get(uid)!.status).toBe('CONFIRMED');
  }
  const left = [...after].filter(([uid, { alarms }]) => uid.startsWith(`${starts[soon]!}-`) && alarms > 0);
  expect(left.length).toBeGreaterThan(0);
  for (const [uid, { startMs, sequence }] of left) {
    expect(startMs).toBeGreaterThan(before.get(uid)?.startMs ?? 0);
    expect(sequence).toBeGreaterThan(before.get(uid)?.sequence ?? 0);
  }
  expect([...after.values()].some((event) => event.alarms > 0)).toBe(true);
  const table = await (await page.request.get(`${empty.address}/api/v1/plan.csv`)).text();
  expect(table).toContain(names[later]!);
  const whole = (await (await page.request.get(`${empty.address}/api/v1/plan.json`)).json()) as { orders: unknown[] };
  expect(whole.orders.length).toBe(3);
});

test('a make is moved by drag and by keys alike, says what breaks, and is undone', async ({ page, demo }) => {
  await goTo(page, '/plan');
  await expect(page.getByText('Not taken yet:')).toBeVisible();
  await page.keyboard.press('t');
  await expect(page.getByText('Taken.')).toBeVisible();
  const quark = pour(page, /^Quark/);
  const beginOf = async () => /begin (\w+ \d\d:\d\d)/.exec((await quark.getAttribute('aria-label'))!)![1];
  const at = await beginOf();

  // by keys, into the night: said at once, with the nearest that holds; left again, nothing has moved
  await quark.focus();
  await page.keyboard.press('Enter');
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowRight');
  await expect(lanes(page).getByRole('status')).toContainText(/fall in the night.*Nearest that holds:/);
  expect(await seriousFaults(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect.poll(beginOf).toBe(at);

  // put elsewhere by keys, and put back
  await page.keyboard.press('Shift+ArrowLeft');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Not taken yet:')).toBeVisible();
  await expect(quark).toHaveAttribute('aria-label', /pinned/);
  expect(await beginOf()).not.toBe(at);
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect.poll(beginOf).toBe(at);

  /** When its first hands come, as the server has it. */
  const id = (await quark.getAttribute('data-pour'))!;
  const keptMs = async () => {
    const events = [...(await eventsOf(page, demo.address))].filter(([uid]) => uid.startsWith(`${id}-`));
    return Math.min(...events.map(([, event]) => event.startMs));
  };
  await expect.poll(keptMs).toBeLessThan(Infinity);
  const wasMs = await keptMs();

  // by drag: checked while it moves, put where it is let go, taken, and undone
  await quark.scrollIntoViewIfNeeded();
  const [ribbon] = (await restingBoxes(page, quark.locator('.curd'))) as [Box];
  // Near its beginning: its end may lie beyond the days that are shown.
  const [x, y] = [ribbon.x + Math.min(12, ribbon.width / 2), ribbon.y + 3];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 60, y, { steps: 10 });
  await expect(lanes(page).getByRole('status')).toContainText(/ready/);
  await page.mouse.up();
  await expect(page.getByText('Not taken yet:')).toBeVisible();
  const dragged = await beginOf();
  expect(dragged).not.toBe(at);
  await page.keyboard.press('t');
  await expect(page.getByText('Taken.')).toBeVisible();
  // Left at once: what the server has not answered yet is sent when the page is opened again.
  await page.reload();
  await expect.poll(beginOf).toBe(dragged);
  await expect.poll(keptMs).toBeLessThan(wasMs);

  // what is shown elsewhere: the shelf, Today, and its sheet
  await page.keyboard.press('1');
  await expect(page.locator('oc-planned-strip svg')).toHaveAttribute('aria-label', /planned from \w+ \d\d:\d\d/);
  await expect(page.locator('oc-plan-card').first()).toBeVisible();
});

test('what if, hands by day, people: each moves the plan, and says how', async ({ page, demo }) => {
  await goTo(page, '/plan');
  await expect(page.getByText('Not taken yet:')).toBeVisible();
  await page.keyboard.press('t');
  await expect(page.getByText('Taken.')).toBeVisible();
  await page.getByRole('combobox', { name: 'What if' }).click();
  await page.getByRole('option', { name: 'the cream comes' }).click();
  await page.getByRole('button', { name: 'See' }).click();
  await expect(page.getByRole('heading', { name: /What if the cream comes 24 h late/ })).toBeVisible();
  await expect(page.locator('oc-found-list article')).toContainText(
    /Cultured butter for the quay stall is begun .* later/,
  );
  expect(await seriousFaults(page)).toEqual([]);
  await page.locator('oc-found-list').getByRole('button', { name: 'Close' }).click();

  await page.getByRole('button', { name: 'Hands by day' }).click();
  const list = page.locator('oc-tasks-list');
  await expect(list).toContainText('Quark and lactic curd for the bakery');
  await expect(list).toContainText('Handed on');
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Print it' }).click();
  expect((await saved).suggestedFilename()).toBe('hands-by-day.pdf');

  // somebody is away: what no longer holds is named
  await page.getByRole('button', { name: /^The household/ }).click();
  await page.getByRole('button', { name: 'A time away' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  // By the hour of the day hands fall then, or wait until somebody is back: in another's way, or in nobody's.
  await expect(page.getByRole('main')).toContainText(
    /The plan no longer holds\..*(while nobody is at home|Hands are taken by)|come at another time than when it was taken: your hours/s,
  );
});
