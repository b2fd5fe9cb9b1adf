import { defineConfig } from '@playwright/test';
import { BROWSING } from './support/browsing.js';
import { ELSEWHERE } from './support/serve-here.js';

/**
 * The built application in Debian's Chromium; each test opens its own server on its own data, at a moment and in a zone of its own
 * (`support/hour.ts`). One window of a browser serves all tests of a worker, and forgets between them (`support/dairy.ts`).
 */
export default defineConfig({
  globalSetup: './support/fill.ts',
  testDir: './tests',
  testMatch: '**/*.e2e.ts',
  timeout: 240_000,
  expect: { timeout: 30_000 },
  workers: 2,
  fullyParallel: true,
  retries: 0,
  // A page broken everywhere is known after a few; the rest would each wait out their time.
  maxFailures: 12,
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  outputDir: '../test-results/e2e',
  use: {
    ...BROWSING,
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-dev-shm-usage',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
        `--host-resolver-rules=MAP ${ELSEWHERE} 127.0.0.1`,
      ],
    },
    screenshot: 'only-on-failure',
    // A trace costs half as much again as the test; switch it on to look into a failure.
    trace: process.env['E2E_TRACE'] ? 'retain-on-failure' : 'off',
  },
});
