import { defineConfig } from '@playwright/test';

const args = ['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'];

export default defineConfig({
  testDir: '.',
  // Kills of servers wait most of their time: `npm test` runs them side by side, apart from the rest.
  testMatch: process.env.ZIVVO_JOURNEYS === 'kills' ? '*Kill.spec.ts' : '*.spec.ts',
  testIgnore: process.env.ZIVVO_JOURNEYS === 'others' ? '*Kill.spec.ts' : undefined,
  workers: 1,
  retries: 0,
  timeout: 120_000,
  expect: { timeout: 15_000 },
  outputDir: 'test-results',
  reporter: [['list'], ['json']],
  use: {
    browserName: 'chromium',
    viewport: { width: 1280, height: 800 },
    headless: true,
    locale: 'en-GB',
    timezoneId: 'UTC',
    launchOptions: { executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium', args },
  },
});
