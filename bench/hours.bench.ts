import { chromium } from '@playwright/test';
import { chromiumOptions } from '../cli/chromium.mjs';
import { atTheStove } from './kit/atTheStove';
import { bar } from './kit/bar';

/** A stove page left open for eight hours of made-up time, a reading every four minutes: what it keeps of memory. */
const HOURS = 8;
const EVERY = 240;

const browser = await chromium.launch(chromiumOptions);
const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
const page = await context.newPage();
const cdp = await context.newCDPSession(page);
await page.clock.install();
await atTheStove(page, 'recipe=jacket-potato-soup&litres=8&pot=middle-28&burner=front-right');

/** MB of script in use, after all that can go has gone. */
const used = async (): Promise<number> => {
  await cdp.send('HeapProfiler.collectGarbage');
  return ((await cdp.send('Runtime.getHeapUsage')) as { usedSize: number }).usedSize / 1e6;
};
const hour = async (): Promise<void> => {
  for (let s = 0; s < 3600; s += EVERY) {
    await page.clock.fastForward(EVERY * 1000);
    await page.waitForTimeout(40);
    await page.getByRole('button', { name: 'Temperature' }).click();
    await page
      .getByRole('group', { name: /Near what/ })
      .getByRole('button')
      .first()
      .click();
  }
};
await hour();
const first = await used();
for (let n = 1; n < HOURS; n++) await hour();
const last = await used();
bar(
  `a stove page after ${HOURS} hours ÷ after one, script in use`,
  last / first,
  { atMost: 1.6 },
  `${last.toFixed(1)} and ${first.toFixed(1)} MB, ${(HOURS * 3600) / EVERY} readings`,
);
await browser.close();
