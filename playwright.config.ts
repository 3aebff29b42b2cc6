import { defineConfig } from '@playwright/test';
import { chromiumOptions } from './cli/chromium.mjs';
import { app, apps } from './e2e/app';

/** `./panache test` starts an application for each browser and says where in PANACHE_APPS. */
export default defineConfig({
  testDir: 'e2e',
  workers: Math.max(1, apps.length),
  // Patience with a machine that runs a browser a core, not a limit the application is held to.
  timeout: 180_000,
  expect: { timeout: 20_000 },
  forbidOnly: true,
  retries: 0,
  reporter: [
    ['line'],
    ['json', { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ?? '.panache/playwright.json' }],
  ],
  use: {
    baseURL: app.address,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    launchOptions: chromiumOptions,
  },
});
