import { defineConfig } from '@playwright/test';
import { chromiumPath } from '../scripts/chromium.mjs';

const args = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Journeys that fly a stand. */
const FLOWN = ['live.spec.ts', 'liveKill.spec.ts', 'driven.spec.ts', 'evening.spec.ts', 'protocols.spec.ts'].map(
  (file) => `**/${file}`,
);

export default defineConfig({
  testDir: '.',
  globalSetup: './openedOnce.ts',
  // No journey shares what it changes, so each may run beside any other.
  fullyParallel: true,
  workers: 2,
  projects: [
    // A page that flies a stand has to be heard every two seconds, so one such journey at a time.
    { name: 'flown', testMatch: FLOWN, workers: 1 },
    { name: 'walked', testIgnore: FLOWN },
  ],
  retries: 0,
  // An end to what hangs, not a measure: a journey of a minute takes three where two share one slow core.
  timeout: 300_000,
  expect: { timeout: 15_000 },
  outputDir: 'test-results',
  reporter: [['list'], ['json']],
  use: {
    browserName: 'chromium',
    viewport: { width: 1280, height: 800 },
    headless: true,
    locale: 'en-GB',
    timezoneId: 'UTC',
    launchOptions: { executablePath: chromiumPath(), args },
  },
});
