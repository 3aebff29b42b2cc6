import { chromium } from '@playwright/test';
import { chromiumOptions } from '../cli/chromium.mjs';
import { bar } from './kit/bar';

/**
 * Each view on a tablet four times slower than this machine: when it can be used, how long its main thread was
 * blocked, what moved under a finger.
 */
const SLOWER = 4;
const VIEWS = [
  ['Plan', '/plan?recipe=smoked-parsnip-veloute&litres=8&pot=middle-28&burner=front-right'],
  ['Stove', '/stove'],
  ['Check', '/check'],
  ['Fix', '/fix'],
  ['Keep', '/keep'],
  ['Service', '/service'],
  ['Recipes', '/recipes'],
] as const;
/** Loads of each; the middle one counts. */
const TIMES = 3;

type Seen = { live: number; paint: number; blocked: number; longest: number; shift: number };

const browser = await chromium.launch(chromiumOptions);
async function seen(path: string): Promise<Seen> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await page.addInitScript(`
    globalThis.seen = { live: 0, paint: 0, blocked: 0, longest: 0, shift: 0 };
    const on = (type, take) => new PerformanceObserver((l) => l.getEntries().forEach(take)).observe({ type, buffered: true });
    on('longtask', (e) => { seen.blocked += Math.max(0, e.duration - 50); seen.longest = Math.max(seen.longest, e.duration); });
    on('layout-shift', (e) => { if (!e.hadRecentInput) seen.shift += e.value; });
    on('largest-contentful-paint', (e) => { seen.paint = e.startTime; });
    const look = () => {
      // The clock of the rail runs: before that nobody could have typed.
      const rail = document.querySelector('ul[aria-label="Pots on the stove"]');
      if (/\\d\\d:\\d\\d/.test(rail?.textContent ?? '')) seen.live ||= performance.now();
      else requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
  `);
  await page.goto(`${process.env.BASE_URL}${path}`);
  await page
    .getByRole('list', { name: 'Pots on the stove' })
    .getByText(/\d\d:\d\d/)
    .first()
    .waitFor();
  await page.waitForTimeout(3500);
  const found = (await page.evaluate('seen')) as Seen;
  await context.close();
  return found;
}
const middle = (all: readonly Seen[], of: keyof Seen) =>
  all.map((s) => s[of]).sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? 0;

for (const [name, path] of VIEWS) {
  // The server has shown it once.
  await fetch(`${process.env.BASE_URL}${path}`).then((r) => r.text());
  const all: Seen[] = [];
  for (let n = 0; n < TIMES; n++) all.push(await seen(path));
  const on = `${name} on a tablet ${SLOWER} × slower`;
  bar(`${on}: live after, s`, middle(all, 'live') / 1000, { atMost: 1.2 });
  bar(`${on}: largest paint after, s`, middle(all, 'paint') / 1000, { atMost: 2 });
  bar(
    `${on}: blocked, s`,
    middle(all, 'blocked') / 1000,
    { atMost: 0.3 },
    `the longest task ${middle(all, 'longest').toFixed(0)} ms`,
  );
  bar(`${on}: layout shift`, middle(all, 'shift'), { atMost: 0.05 });
}
await browser.close();
