import { defineConfig } from '@playwright/test';
import { chromiumOptions } from './cli/chromium.mjs';

/** `./panache test` starts the application and says where in BASE_URL. */
export default defineConfig({
  testDir: 'e2e',
  workers: 1,
  forbidOnly: true,
  retries: 0,
  reporter: [
    ['line'],
    ['json', { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ?? '.panache/playwright.json' }],
  ],
  use: {
    baseURL: process.env.BASE_URL ?? 'http://127.0.0.1:3000',
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    launchOptions: chromiumOptions,
  },
});
