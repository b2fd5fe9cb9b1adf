import { expect, type Browser, type Page } from '@playwright/test';
import { createHash } from 'node:crypto';
import { cpSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../../server/dist/root.js';
import { BROWSING } from './browsing.js';

/** The page as it is built. */
const BUILT = join(ROOT, 'web/dist/browser');

/** What the page's service worker knows of its files. */
interface WorkerFiles {
  timestamp: number;
  readonly assetGroups: readonly { readonly urls: string[] }[];
  readonly hashTable: Record<string, string>;
}

const filesOf = (folder: string) => JSON.parse(readFileSync(join(folder, 'ngsw.json'), 'utf8')) as WorkerFiles;

/** A window of a browser in which the page may be an app, and keeps what it is made of. */
export const newAppWindow = (browser: Browser) => browser.newContext({ ...BROWSING, serviceWorkers: 'allow' });

/** How many files of the page the browser holds, for its service worker; 0 until that answers for the page. */
const keptFiles = (page: Page) =>
  page.evaluate(async () => {
    const names = (await caches.keys()).filter((name) => name.endsWith(':cache') && name.includes(':assets:'));
    const kept = await Promise.all(names.map(async (name) => (await (await caches.open(name)).keys()).length));
    return navigator.serviceWorker.controller === null ? 0 : kept.reduce((sum, n) => sum + n, 0);
  });

/** Waits until the browser holds every file of the page. */
export async function untilKept(page: Page): Promise<void> {
  const files = filesOf(BUILT).assetGroups.flatMap(({ urls }) => urls).length;
  await expect.poll(() => keptFiles(page), { timeout: 90_000 }).toBe(files);
}

/** A newer build of the page in a folder: the same, its main script under another name. */
export function newerBuild(folder: string): string {
  cpSync(BUILT, folder, { recursive: true });
  const files = filesOf(folder);
  const main = /main-\w+\.js/.exec(readFileSync(join(folder, 'index.html'), 'utf8'))![0];
  const newer = 'main-NEWER001.js';
  renameSync(join(folder, main), join(folder, newer));
  const index = readFileSync(join(folder, 'index.html'), 'utf8').replaceAll(main, newer);
  writeFileSync(join(folder, 'index.html'), index);
  const { [`/${main}`]: hash, ...others } = files.hashTable;
  const groups = files.assetGroups.map((group) => ({
    ...group,
    urls: group.urls.map((url) => (url === `/${main}` ? `/${newer}` : url)),
  }));
  const hashTable = { ...others, [`/${newer}`]: hash, '/index.html': createHash('sha1').update(index).digest('hex') };
  const told = { ...files, timestamp: files.timestamp + 1, assetGroups: groups, hashTable };
  writeFileSync(join(folder, 'ngsw.json'), JSON.stringify(told));
  return newer;
}
