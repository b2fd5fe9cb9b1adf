import type { CDPSession, Page } from '@playwright/test';
import { expect, test } from '../support/dairy.js';
import { goTo } from '../support/page.js';

/** What the page holds once all that can be let go is let go, MB. */
async function heapMb(devtools: CDPSession): Promise<number> {
  for (let i = 0; i < 3; i++) await devtools.send('HeapProfiler.collectGarbage');
  const { usedSize } = (await devtools.send('Runtime.getHeapUsage')) as { usedSize: number };
  return usedSize / 1e6;
}

/** Waits until all places are fetched: that begins four seconds after the page, and is no growth of a tab that is open. */
async function allFetched(page: Page): Promise<void> {
  const scripts = () =>
    page.evaluate(() => performance.getEntriesByType('resource').filter(({ name }) => name.endsWith('.js')).length);
  for (let [before, now] = [-1, await scripts()]; before !== now; [before, now] = [now, await scripts()])
    await page.waitForTimeout(5000);
}

/** Kitchen time that passes from one look of the page to the next. */
const STEP_MIN = 8;

test('a tab that is open for eight hours holds no more at their end than at their beginning', async ({
  page,
  demo,
}) => {
  await goTo(page, '/today');
  await expect(page.locator('oc-task-card').first()).toBeVisible();
  const devtools = await page.context().newCDPSession(page);
  const time = page.getByRole('banner').locator('time');
  /** Lets hours pass by steps; each is shown, worked out and read by the instruments as it would be. */
  const hours = async (count: number) => {
    for (let i = 0; i < (count * 60) / STEP_MIN; i++) {
      const shown = await time.textContent();
      demo.pass(STEP_MIN);
      await expect(time).not.toHaveText(shown!);
    }
  };
  await allFetched(page);
  await hours(1);
  const before = await heapMb(devtools);
  await hours(8);
  const after = await heapMb(devtools);
  // eight hours of readings, forecasts and hands: what grows is what was logged, some hundred lines
  expect(after - before).toBeLessThan(4);
  await expect(page.locator('oc-task-card').first()).toBeVisible();
});
