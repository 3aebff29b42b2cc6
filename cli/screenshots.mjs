import { join } from 'node:path';
import { withDemoApp } from './app.mjs';
import { chromiumOptions } from './chromium.mjs';
import { debianPackage, npmPackages } from './packages.mjs';
import { root } from './place.mjs';
import { postgres } from './postgres.mjs';

const SHOTS = [
  ['plan', '/plan'],
  ['plan-scaled', '/plan?recipe=smoked-parsnip-veloute&litres=40&pot=deep-42&burner=floor-ring'],
  ['stove', '/stove'],
];

async function take(address) {
  const { chromium } = await import('playwright-core');
  const browser = await chromium.launch(chromiumOptions);
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
    for (const [name, path] of SHOTS) {
      await page.goto(address + path);
      await page.waitForLoadState('networkidle');
      await page.waitForTimeout(1200);
      await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) });
    }
  } finally {
    await browser.close();
  }
}

/** docs/screenshots, taken anew from the demo data at 1280×800. */
export async function run() {
  await npmPackages();
  await debianPackage('chromium', ['/usr/bin/chromium']);
  const server = await postgres();
  try {
    await withDemoApp(server, 'panache_screenshots', 3600, take);
  } finally {
    await server.stop();
  }
}
