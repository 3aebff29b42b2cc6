import { chromium } from 'playwright-core';
import { chromiumOptions } from '../cli/chromium.mjs';
import { median, quantile } from './stats';

/** First-load script of the Plan view, and dragging its target against the frame of the same page at rest. */
const browser = await chromium.launch(chromiumOptions);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
// The bundler names functions with a helper the page does not have.
await page.addInitScript('globalThis.__name = (f) => f');
const session = await page.context().newCDPSession(page);
await session.send('Network.enable');
const scripts = new Map<string, number>();
const kinds = new Map<string, string>();
session.on('Network.responseReceived', (e) => kinds.set(e.requestId, e.type));
session.on('Network.loadingFinished', (e) => {
  if (kinds.get(e.requestId) === 'Script') scripts.set(e.requestId, e.encodedDataLength);
});
await page.goto(
  `${process.env.BASE_URL}/plan?recipe=smoked-parsnip-veloute&litres=40&pot=deep-42&burner=floor-ring`,
);
await page.getByText(/in 10 land in/).waitFor();
const sent = [...scripts.values()].reduce((a, b) => a + b, 0);
console.log(
  `Plan, script sent on first load: ${(sent / 1000).toFixed(0)} kB compressed, worker included (bar: 200 kB)`,
);

/** Frame times, ms, over a second of requestAnimationFrame, while `during` goes on. */
const record = () =>
  page.evaluate(() => {
    const w = window as typeof window & { panacheFrames: number[] };
    w.panacheFrames = [];
    let last = performance.now();
    const until = last + 2000;
    const tick = (now: number) => {
      w.panacheFrames.push(now - last);
      last = now;
      if (now < until) requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
const frames = () =>
  page.evaluate(() => (window as typeof window & { panacheFrames: number[] }).panacheFrames.slice(1));

await record();
await page.waitForTimeout(2100);
const atRest = await frames();

const box = await page.getByRole('slider').boundingBox();
if (!box) throw new Error('the ladder is not on the page');
const dose = () => page.getByRole('listitem').filter({ hasText: 'the dose' }).innerText();
const before = await dose();
await page.mouse.move(box.x + 100, box.y + box.height * 0.6);
await page.mouse.down();
await record();
const until = Date.now() + 2000;
for (let i = 0; Date.now() < until; i++) {
  await page.mouse.move(box.x + 100, box.y + box.height * (0.45 + 0.15 * Math.sin(i / 12)));
}
const dragging = await frames();
await page.mouse.up();
if ((await dose()) === before) throw new Error('the dose did not follow the finger');

/** From a move to the paint that shows it: handler, plan, React and layout, measured in the page. */
const work = await page.evaluate(async () => {
  const slider = document.querySelector('[role=slider]');
  if (!slider) throw new Error('no ladder');
  const times: number[] = [];
  for (let i = 0; i < 60; i++) {
    await new Promise(requestAnimationFrame);
    const start = performance.now();
    slider.dispatchEvent(
      new KeyboardEvent('keydown', { key: i % 20 < 10 ? 'ArrowUp' : 'ArrowDown', bubbles: true }),
    );
    document.body.getBoundingClientRect();
    await Promise.resolve();
    times.push(performance.now() - start);
  }
  return times;
});
console.log(
  `dragging ÷ at rest, frame time: median ${(median(dragging) / median(atRest)).toFixed(2)}, 95th of dragging ÷ median at rest ${(quantile(dragging, 0.95) / median(atRest)).toFixed(2)}`,
);
console.log(
  `one change, planned, rendered and laid out ÷ one frame (16.7 ms): median ${(median(work) / 16.7).toFixed(2)}, 95th ${(quantile(work, 0.95) / 16.7).toFixed(2)}`,
);
await browser.close();
