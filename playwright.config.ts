import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './tests/support/chromium';

export default defineConfig({
  testDir: 'tests/e2e',
  outputDir: 'test-results/e2e',
  globalSetup: './tests/e2e/prepare.ts',
  workers: 2,
  fullyParallel: false,
  // Room for a machine three times slower than the slowest that it was tried on.
  timeout: 240_000,
  // A busy machine may be late once; what had to be tried twice is listed as flaky.
  retries: process.env.CI ? 1 : 0,
  expect: { timeout: 60_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    actionTimeout: 45_000,
    trace: 'off',
    // It fetches the whole program; few walks are about that.
    serviceWorkers: 'block',
    launchOptions: CHROMIUM,
  },
});
