import { chromium, type Request } from '@playwright/test';
import { chromiumOptions } from '../cli/chromium.mjs';
import { bar } from './kit/bar';

/** Script each view sends on its first load, workers included, until nothing more is asked for. */
const VIEWS = [
  ['Plan', '/plan?recipe=smoked-parsnip-veloute&litres=40&pot=deep-42&burner=floor-ring'],
  ['Compare', '/compare'],
  ['Stove', '/stove'],
  ['Check', '/check'],
  ['Fix', '/fix'],
  ['Recipes', '/recipes'],
  ['Recipe editor', '/recipes/cockle-and-leek-chowder'],
  ['Keep', '/keep'],
  ['Service', '/service'],
  ['Import', '/recipes/import'],
  ['Versions', '/recipes/cockle-and-leek-chowder/versions'],
  ['Kitchen', '/kitchen'],
  ['Water test', '/kitchen/water-test'],
] as const;
const BAR = 180;

const browser = await chromium.launch(chromiumOptions);
for (const [name, path] of VIEWS) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const counted: Promise<void>[] = [];
  let sent = 0;
  const each: [string, number][] = [];
  // The context hears what workers ask for too; what comes from the cache a second time is not sent.
  const count = async (request: Request) => {
    if (!new URL(request.url()).pathname.endsWith('.js')) return;
    const { responseBodySize } = await request.sizes().catch(() => ({ responseBodySize: 0 }));
    sent += Math.max(0, responseBodySize);
    each.push([request.url(), responseBodySize]);
  };
  context.on('requestfinished', (request) => counted.push(count(request)));
  await page.goto(`${process.env.BASE_URL}${path}`);
  await page.waitForTimeout(6000);
  await Promise.all(counted);
  bar(`${name}, script sent on first load, workers included, kB compressed`, sent / 1000, { atMost: BAR });
  if (process.env.EACH) {
    for (const [url, size] of each.sort((a, b) => b[1] - a[1]))
      console.log(`  ${(size / 1000).toFixed(1)} ${url.split('/').pop()}`);
  }
  await context.close();
}
await browser.close();
