import { test as base, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');

/** A running server on data of its own. */
export class Dairy {
  private child: ChildProcess | null = null;
  private port = '0';
  readonly folder = mkdtempSync(join(tmpdir(), 'oat-crock-e2e-'));
  address = '';

  constructor(private readonly demo: boolean) {}

  /** Opens it; after a kill, on the same port and the same data. */
  async open(): Promise<void> {
    const child = spawn(process.execPath, [join(ROOT, 'server/dist/main.js'), ...(this.demo ? ['--demo'] : [])], {
      env: { ...process.env, OAT_CROCK_DB: join(this.folder, 'dairy.sqlite'), OAT_CROCK_PORT: this.port },
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

  kill(): Promise<unknown> {
    const gone = new Promise((resolve) => this.child!.on('exit', resolve));
    this.child!.kill('SIGKILL');
    return gone;
  }

  async close(): Promise<void> {
    if (this.child?.exitCode === null) await this.kill();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** Tests with a dairy: the demonstration, or an empty one. */
export const test = base.extend<{ demo: Dairy; empty: Dairy }>({
  demo: async ({ page }, use) => withDairy(true, page, use),
  empty: async ({ page }, use) => withDairy(false, page, use),
});

async function withDairy(demo: boolean, page: Page, use: (dairy: Dairy) => Promise<void>): Promise<void> {
  const dairy = new Dairy(demo);
  await dairy.open();
  await page.goto(dairy.address);
  await use(dairy);
  await dairy.close();
}

export { expect } from '@playwright/test';
