import { chromium } from '@playwright/test';
import { chromiumOptions } from '../cli/chromium.mjs';
import { atTheStove } from './kit/atTheStove';
import { bar } from './kit/bar';
import { quantile } from './kit/stats';

/** From a tap to the paint that shows it: the reading followed, the rest solved anew, its doubt, and the page drawn, in the page itself. */
/** ms within which an answer seems to come at once. */
const AT_ONCE = 100;
const TIMES = 12;

const browser = await chromium.launch(chromiumOptions);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
for (const [name, query] of [
  [
    'Pea cream, its slurry still to come',
    'recipe=green-pea-and-lettuce-cream&litres=8&pot=middle-28&burner=front-right',
  ],
  ['Jacket-potato soup', 'recipe=jacket-potato-soup&litres=8&pot=middle-28&burner=front-right'],
] as const) {
  await atTheStove(page, query);
  await page.evaluate(() => {
    // What the region of the pass shows last after a tap, and when that is on the screen.
    const region = document.querySelector('section[aria-label="At the pass, by the model"]');
    const shown: number[] = [];
    Object.assign(globalThis, { benchShown: shown });
    let tapped = 0;
    let last = 0;
    document.addEventListener(
      'click',
      () => {
        if (tapped && last) shown.push(last - tapped);
        tapped = performance.now();
        last = 0;
      },
      true,
    );
    if (!region) throw new Error('nothing is said of the pass');
    new MutationObserver(() =>
      requestAnimationFrame(() => {
        // What the clock moves later is no answer to the tap.
        if (performance.now() - tapped < 350) last = performance.now();
      }),
    ).observe(region, { subtree: true, childList: true, characterData: true, attributes: true });
  });
  for (let n = 0; n < TIMES; n++) {
    await page.getByRole('button', { name: 'Temperature' }).click();
    // To and fro, so that each has something to move.
    const near = page.getByRole('group', { name: /Near what/ }).getByRole('button');
    await (n % 2 ? near.first() : near.last()).click();
    await page.waitForTimeout(400);
  }
  const took = await page.evaluate(() => (globalThis as unknown as { benchShown: number[] }).benchShown);
  // A reading that changes nothing of what is shown is no answer to be timed.
  if (took.length === 0) throw new Error(`${name}: no tap moved what is shown of the pass`);
  bar(
    `${name}, from a tap to the paint that shows its doubt ÷ 100 ms, median`,
    quantile(took, 0.5) / AT_ONCE,
    { atMost: 1 },
    `${took.length} taps, ${quantile(took, 0.5).toFixed(0)} ms, the slowest ${quantile(took, 1).toFixed(0)}`,
  );
}
await browser.close();
