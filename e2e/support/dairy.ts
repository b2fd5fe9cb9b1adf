import { test as base, type BrowserContext, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Served } from '../../server/dist/serve.js';
import { ROOT } from '../../server/dist/root.js';
import { BROWSING, forget } from './browsing.js';
import { filledDemo } from './fill.js';
import { ENVIRONMENT, serveHere } from './serve-here.js';

/** A kitchen that is open, on data of its own. */
export interface Dairy {
  readonly address: string;
  readonly kitchen: Served['kitchen'];
  readonly now: () => number;
  /** Lets the kitchen's clock jump ahead by some minutes. */
  readonly pass: (minutes: number) => void;
}

/** A kitchen whose server is a process of its own, which may be killed and started again. */
export class KilledDairy {
  private child: ChildProcess | null = null;
  private port = '0';
  address = '';

  constructor(private readonly file: string) {}

  /** Opens it; after a kill, on the same port and the same data. */
  async open(): Promise<void> {
    const child = spawn(process.execPath, [join(ROOT, 'server/dist/main.js'), '--demo'], {
      env: { ...process.env, ...ENVIRONMENT, OAT_CROCK_DB: this.file, OAT_CROCK_PORT: this.port },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.child = child;
    this.address = await new Promise<string>((resolve, reject) => {
      child.stdout!.on('data', (data: Buffer) => {
        const address = /(http:\/\/[\d.:]+)\//.exec(String(data))?.[1];
        if (address) resolve(address);
      });
      child.on('exit', () => reject(new Error('the server did not open')));
    });
    this.port = new URL(this.address).port;
  }

  async kill(): Promise<void> {
    if (this.child!.signalCode !== null || this.child!.exitCode !== null) return;
    const gone = new Promise((resolve) => this.child!.on('exit', resolve));
    this.child!.kill('SIGKILL');
    await gone;
  }
}

interface OfTest {
  /** The demonstration, as it is when it is opened. */
  readonly demo: Dairy;
  /** A dairy that has nothing yet. */
  readonly empty: Dairy;
  /** The demonstration, in a process that may be killed. */
  readonly killed: KilledDairy;
  readonly folder: string;
}

/** Tests with a dairy; the demonstration is filled once for all (`fill.ts`), and copied for each. */
export const test = base.extend<OfTest, { readonly window: BrowserContext }>({
  window: [
    async ({ browser }, use) => {
      const context = await browser.newContext(BROWSING);
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  // What the page is made of is read and compiled once, not by each test.
  context: async ({ window }, use) => {
    await use(window);
    await Promise.all(window.pages().map((page) => page.close()));
  },
  folder: async ({}, use) => {
    const folder = newFolder();
    await use(folder);
    rmSync(folder, { recursive: true, force: true });
  },
  demo: async ({ page, folder }, use) => {
    const file = join(folder, 'demo.sqlite');
    copyFileSync(filledDemo(), file);
    await withDairy(file, true, page, use);
  },
  empty: async ({ page, folder }, use) => withDairy(join(folder, 'dairy.sqlite'), false, page, use),
  killed: async ({ page, folder }, use) => {
    const file = join(folder, 'demo.sqlite');
    copyFileSync(filledDemo(), file);
    const dairy = new KilledDairy(file);
    await dairy.open();
    await page.goto(dairy.address);
    await use(dairy);
    await dairy.kill();
  },
});

const newFolder = () => mkdtempSync(join(tmpdir(), 'oat-crock-e2e-'));

/**
 * The port of this worker's kitchens: always the same, so that the browser knows the page's files again; below those that
 * a machine gives to connections of its own accord.
 */
const PORT = 21_460 + Number(process.env['TEST_PARALLEL_INDEX'] ?? 0);

/** Opens a kitchen on that port, or on any other where somebody else has it. */
async function serveAgain(file: string, demo: boolean): Promise<Served> {
  try {
    return await serveHere(file, demo, PORT);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
    return serveHere(file, demo);
  }
}

async function withDairy(file: string, demo: boolean, page: Page, use: (dairy: Dairy) => Promise<void>): Promise<void> {
  const { address, kitchen, close } = await serveAgain(file, demo);
  await forget(page, address);
  await page.goto(address);
  const { clock, events } = kitchen;
  const pass = (minutes: number) =>
    events.tell({ type: 'clock', clock: clock.set({ kitchenMs: clock.now() + minutes * 60_000 }) });
  await use({ address, kitchen, now: clock.now, pass });
  await page.close();
  await close();
}

export { expect } from '@playwright/test';
