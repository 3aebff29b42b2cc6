import { join } from 'node:path';
import { prepare, serve } from './app.mjs';
import { build } from './build.mjs';
import { chromiumOptions } from './chromium.mjs';
import { debianPackage, npmPackages } from './packages.mjs';
import { root } from './place.mjs';
import { database, postgres } from './postgres.mjs';

const SHOTS = [
  ['plan', '/plan'],
  ['plan-scaled', '/plan?recipe=smoked-parsnip-veloute&litres=40&pot=deep-42&burner=floor-ring'],
  ['stove', '/stove'],
];

/** docs/screenshots, taken anew from the demo data at 1280×800. */
export async function run() {
  await npmPackages();
  await debianPackage('chromium', ['/usr/bin/chromium']);
  const server = await postgres();
  try {
    const databaseUrl = await database(server, 'panache_screenshots', { fresh: true });
    await prepare(databaseUrl);
    await build();
    const app = await serve({ mode: 'start', from: 3600, databaseUrl });
    const { chromium } = await import('playwright-core');
    const browser = await chromium.launch(chromiumOptions);
    try {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
      for (const [name, address] of SHOTS) {
        await page.goto(app.address + address);
        await page.waitForLoadState('networkidle');
        await page.waitForTimeout(1200);
        await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) });
      }
    } finally {
      await browser.close();
      await app.stop();
    }
  } finally {
    await server.stop();
  }
}
