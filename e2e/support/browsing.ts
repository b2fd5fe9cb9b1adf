import type { BrowserContextOptions, Page } from '@playwright/test';

/** How the tests browse: on a small desk, in another zone than the kitchen's, as a traveller's telephone is. */
export const BROWSING: BrowserContextOptions = {
  viewport: { width: 1280, height: 800 },
  timezoneId: 'Asia/Kathmandu',
  reducedMotion: 'reduce',
  // Each test has a page that comes from its server; those that are about the page as an app let it be one.
  serviceWorkers: 'block',
};

/** Forgets what a page of an address kept in the browser; the files it is made of may stay. */
export async function forget(page: Page, address: string): Promise<void> {
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Storage.clearDataForOrigin', {
    origin: address,
    storageTypes: 'cookies,local_storage,indexeddb,cache_storage',
  });
  await devtools.detach();
}
