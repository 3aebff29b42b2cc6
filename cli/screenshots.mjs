import { join } from 'node:path';
import { withDemoApp } from './app.mjs';
import { chromiumOptions } from './chromium.mjs';
import { debianPackage, npmPackages } from './packages.mjs';
import { root } from './place.mjs';
import { postgres } from './postgres.mjs';

const SHOTS = [
  ['plan', '/plan'],
  ['plan-scaled', '/plan?recipe=smoked-parsnip-veloute&litres=40&pot=deep-42&burner=floor-ring'],
  [
    'plan-thickeners',
    '/plan?litres=12',
    (page) => page.getByRole('button', { name: /^Thickened with/ }).click(),
  ],
  [
    'plan-clock',
    '/plan?recipe=smoked-parsnip-veloute&litres=40&pot=deep-42&burner=floor-ring',
    async (page) => {
      await page.getByRole('button', { name: 'Clock' }).click();
      await page.getByRole('button', { name: 'Steps' }).click();
    },
  ],
  ['compare', '/compare?recipe=cockle-and-leek-chowder&litres=12'],
  ['recipes', '/recipes'],
  [
    'recipe-editor',
    '/recipes/cockle-and-leek-chowder',
    (page) => page.getByRole('button', { name: /^7 Add/ }).click(),
  ],
  ['import', '/recipes/import', (page) => page.setInputFiles('#recipe-file', FOREIGN)],
  ['kitchen', '/kitchen?part=pots'],
  ['stove', '/stove'],
];

/** A made-up recipe of somebody else's, to be looked at line by line. */
const FOREIGN = {
  name: 'harbour-soup.json',
  mimeType: 'application/json',
  buffer: Buffer.from(
    JSON.stringify({
      '@type': 'Recipe',
      name: 'Harbour leek and potato soup',
      recipeYield: '6 servings',
      recipeIngredient: [
        '3 tbsp butter',
        '3 leeks (about 450 g), sliced',
        '1/3 cup all-purpose flour',
        '6 cups chicken stock',
        '2 large potatoes, peeled and diced',
        '1 cup heavy cream',
        'Salt, to taste',
      ],
      recipeInstructions: 'Sweat the leeks 12 minutes. Simmer 20 minutes.',
    }),
  ),
};

async function take(address) {
  const { chromium } = await import('playwright-core');
  const browser = await chromium.launch(chromiumOptions);
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
    for (const [name, path, then] of SHOTS) {
      await page.goto(address + path);
      await page.waitForLoadState('networkidle');
      await page.waitForTimeout(2500);
      await then?.(page);
      await page.waitForTimeout(then ? 5000 : 2500);
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
