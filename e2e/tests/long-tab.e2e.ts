import type { CDPSession } from '@playwright/test';
import { expect, test } from '../support/dairy.js';

/** What the page holds once all that can be let go is let go, MB. */
async function heapMb(devtools: CDPSession): Promise<number> {
  for (let i = 0; i < 3; i++) await devtools.send('HeapProfiler.collectGarbage');
  const { usedSize } = (await devtools.send('Runtime.getHeapUsage')) as { usedSize: number };
  return usedSize / 1e6;
}

test('a tab that is open for eight hours holds no more at their end than at their beginning', async ({
  page,
  demo,
}) => {
  const clock = (rate: number) => page.request.put(`${demo.address}/api/v1/clock`, { data: { rate } });
  const hour = async () => {
    const answer = await page.request.get(`${demo.address}/api/v1/health`);
    return ((await answer.json()) as { nowMs: number }).nowMs / 3_600_000;
  };
  await page.goto(`${demo.address}/today`);
  await expect(page.locator('oc-hand-card').first()).toBeVisible();
  const devtools = await page.context().newCDPSession(page);
  await clock(600);
  const begun = await hour();
  await expect.poll(hour, { timeout: 60_000 }).toBeGreaterThan(begun + 1);
  const before = await heapMb(devtools);
  await expect.poll(hour, { timeout: 120_000 }).toBeGreaterThan(begun + 9);
  const after = await heapMb(devtools);
  // eight hours of readings, forecasts and hands: what grows is what was logged, some hundred lines
  expect(after - before).toBeLessThan(4);
  await expect(page.locator('oc-hand-card').first()).toBeVisible();
});
