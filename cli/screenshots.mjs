import { join } from 'node:path';
import { withDemoApp } from './app.mjs';
import { chromiumOptions, installChromium } from './chromium.mjs';
import { npmPackages } from './packages.mjs';
import { root } from './place.mjs';
import { postgres } from './postgres.mjs';

const SHOTS = [
  ['service', '/service', (page) => page.getByText('Nothing clashes.').waitFor()],
  ['plan', '/plan'],
  ['plan-scaled', '/plan?recipe=smoked-parsnip-veloute&litres=40&pot=deep-42&burner=floor-ring'],
  ['compare', '/compare?recipe=cockle-and-leek-chowder&litres=12'],
  [
    'keep',
    '/keep',
    (page) => page.getByText(/Trying the kitchen/).waitFor({ state: 'detached', timeout: 30_000 }),
  ],
  [
    'keep-shelf',
    '/keep?face=shelf',
    (page) => page.getByText(/Thawed in the fridge/).waitFor({ timeout: 30_000 }),
  ],
  [
    'keep-record',
    '/keep?face=record',
    async (page) => {
      const before = new Date(Date.now() - 2 * 86_400_000).toISOString().slice(0, 10);
      await page.getByLabel('From', { exact: true }).fill(before);
      await page.getByRole('button', { name: 'Was anything changed?' }).click();
      await page.getByText(/^Nothing: all/).waitFor();
    },
  ],
  ['log', '/log'],
  [
    'log-batch',
    '/log?find=slurry',
    async (page) => {
      await page.getByRole('link', { name: /^Open / }).click();
      await page.getByRole('figure').nth(2).waitFor({ timeout: 30_000 });
    },
  ],
  ['log-knows', '/log/knows'],
  ['log-predicts', '/log/predicts', (page) => page.getByRole('figure').waitFor()],
  ['recipes', '/recipes'],
  [
    'recipe-editor',
    '/recipes/roast-carrot-cream',
    (page) => page.getByRole('button', { name: /^8 Add/ }).click(),
  ],
  ['kitchen', '/kitchen?part=pots'],
  [
    'stove',
    '/plan?recipe=roast-carrot-cream&litres=6&pot=middle-28&burner=front-left',
    async (page) => {
      await atTheStove(page, 0);
      await page.getByRole('button', { name: 'It is on, next' }).click();
      await page.waitForTimeout(300);
      for (let n = 0; n < 3; n++) await oneStep(page);
    },
  ],
  [
    'check',
    '/check',
    async (page) => {
      await page.getByRole('button', { name: /^Galley funnel/ }).click();
      for (const seconds of ['7.1', '7.4', '7.3']) {
        await page.getByLabel('Flow time, s').fill(seconds);
        await page.getByRole('button', { name: 'Add', exact: true }).click();
      }
    },
  ],
  [
    'fix',
    '/plan?recipe=smoked-parsnip-veloute&litres=20&pot=tall-steel-36&burner=floor-ring',
    (page) => wrong(page),
  ],
];

/** As they are held in one hand. */
const PHONE = { width: 390, height: 844 };
const ON_A_PHONE = [
  ['plan-phone', '/plan'],
  ['stove-phone', '/stove'],
];

/** Cooked thin, tested, and eight minutes before service. */
async function wrong(page) {
  await atTheStove(page, 9);
  await page.getByRole('link', { name: 'Flow test' }).click();
  await page.getByRole('button', { name: /^Galley funnel/ }).click();
  for (const seconds of ['5.9', '6.0']) {
    await page.getByLabel('Flow time, s').fill(seconds);
    await page.getByRole('button', { name: 'Add', exact: true }).click();
  }
  await page.getByRole('button', { name: 'Write it down' }).click();
  await page.getByRole('link', { name: 'Something’s wrong' }).click();
  await page.getByRole('button', { name: 'Too thin' }).click();
  await page.getByLabel('Minutes left').fill('8');
  await page.getByLabel('No flour').check();
  await page.waitForTimeout(3000);
}

const oneStep = async (page) => {
  await page.getByRole('button', { name: /^Done, / }).click();
  await page.waitForTimeout(300);
};

/** Starts the batch planned on the page and taps its first `steps` steps done. */
async function atTheStove(page, steps) {
  await page.getByRole('button', { name: 'Start this batch' }).click();
  const stove = page.getByRole('region', { name: 'At the pass, by the model' });
  const anyway = page.getByRole('button', { name: 'Start all the same' });
  await stove.or(anyway).waitFor();
  // Another picture's soup stands in that pot.
  if (await anyway.isVisible()) await anyway.click();
  await stove.waitFor();
  for (let n = 0; n < steps; n++) await oneStep(page);
}

async function take(address, names) {
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch(chromiumOptions);
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
    const wanted = ([name]) => names.length === 0 || names.includes(name);
    for (const [name, path, then] of [...SHOTS, ...ON_A_PHONE].filter(wanted)) {
      if (name.endsWith('-phone')) await page.setViewportSize(PHONE);
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

/** docs/screenshots, taken anew from the demo data at 1280×800; of those named, where any are. */
export async function run(_name, names) {
  await npmPackages();
  await installChromium();
  const server = await postgres();
  try {
    await withDemoApp(server, 'panache_screenshots', 3600, (address) => take(address, names));
  } finally {
    await server.stop();
  }
}
