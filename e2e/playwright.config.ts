import { defineConfig } from '@playwright/test';

/** The built application in Debian's Chromium; each test file opens its own server on its own data. */
export default defineConfig({
  testDir: './tests',
  testMatch: '**/*.e2e.ts',
  timeout: 240_000,
  expect: { timeout: 30_000 },
  workers: 1,
  retries: 0,
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  outputDir: '../test-results/e2e',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] },
    trace: 'retain-on-failure',
  },
});
