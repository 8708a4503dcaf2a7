import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './tests/support/chromium';

export default defineConfig({
  testDir: 'tests/e2e',
  outputDir: 'test-results/e2e',
  globalSetup: './tests/e2e/prepare.ts',
  workers: 2,
  fullyParallel: false,
  timeout: 90_000,
  // A busy machine may be late once; what had to be tried twice is listed as flaky.
  retries: process.env.CI ? 1 : 0,
  expect: { timeout: 10_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    actionTimeout: 15_000,
    trace: 'off',
    launchOptions: CHROMIUM,
  },
});
