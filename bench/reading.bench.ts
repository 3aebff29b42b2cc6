import { chromium } from 'playwright-core';
import { chromiumOptions } from '../cli/chromium.mjs';
import { quantile } from './stats';

/** From a reading written down to the batch solved anew, in the page itself. */
const FRAME = 16;
const TIMES = 12;

const browser = await chromium.launch(chromiumOptions);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
for (const [name, query] of [
  ['Velouté, at its first step', 'recipe=smoked-parsnip-veloute&litres=8&pot=middle-28&burner=front-right'],
  [
    'Pea cream, its slurry still to come',
    'recipe=green-pea-and-lettuce-cream&litres=8&pot=middle-28&burner=front-right',
  ],
  ['Jacket-potato soup', 'recipe=jacket-potato-soup&litres=8&pot=middle-28&burner=front-right'],
] as const) {
  await page.goto(`${process.env.BASE_URL}/plan?${query}`);
  await page.waitForTimeout(2500);
  await page.getByRole('button', { name: 'Start this batch' }).click();
  const stove = page.getByRole('region', { name: 'At the pass, by the model' });
  const anyway = page.getByRole('button', { name: 'Start all the same' });
  await stove.or(anyway).waitFor();
  if (await anyway.isVisible()) await anyway.click();
  await stove.waitFor();
  for (let n = 0; n < 3; n++) {
    await page.getByRole('button', { name: /^Done, / }).click();
    await page.waitForTimeout(300);
  }
  await page.evaluate(() => performance.clearMeasures());
  for (let n = 0; n < TIMES; n++) {
    await page.getByRole('button', { name: 'Temperature' }).click();
    await page
      .getByRole('group', { name: /Near what/ })
      .getByRole('button')
      .nth(n % 3)
      .click();
    await page.waitForTimeout(400);
  }
  const took = await page.evaluate(() =>
    performance.getEntriesByName('panache:solved').map((m) => m.duration),
  );
  console.log(
    `${name}: ${took.length} readings, solved anew in ${(quantile(took, 0.5) / FRAME).toFixed(2)} of a frame, the slowest ${(quantile(took, 1) / FRAME).toFixed(2)} (bar: 1)`,
  );
}
await browser.close();
