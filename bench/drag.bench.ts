import { chromium } from '@playwright/test';
import { chromiumOptions } from '../cli/chromium.mjs';
import { bar } from './kit/bar';
import { median, quantile } from './kit/stats';

/** Dragging the Plan's target against the same page at rest, by Chromium's own trace of the frames it drew. */
const browser = await chromium.launch(chromiumOptions);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
// The bundler names functions with a helper the page does not have.
await page.addInitScript('globalThis.__name = (f) => f');
await page.goto(
  `${process.env.BASE_URL}/plan?recipe=smoked-parsnip-veloute&litres=40&pot=deep-42&burner=floor-ring`,
);
await page.getByText(/^Chance of/).waitFor();
await page.waitForTimeout(6000);

type TraceEvent = { readonly name: string; readonly ts: number };

/** Gaps between frames drawn, ms, and how many Chromium says it dropped, while `during` goes on with the page kept moving. */
async function traced(during: () => Promise<void>) {
  await browser.startTracing(page, {
    categories: ['disabled-by-default-devtools.timeline.frame', 'devtools.timeline.frame'],
  });
  await during();
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as {
    traceEvents: readonly TraceEvent[];
  };
  const drawn = traceEvents
    .filter((e) => e.name === 'DrawFrame')
    .map((e) => e.ts / 1000)
    .sort((a, b) => a - b);
  return {
    gaps: drawn.slice(1).map((t, i) => t - (drawn[i] ?? t)),
    dropped: traceEvents.filter((e) => e.name === 'DroppedFrame').length,
  };
}

/** Something that wants every frame, so that a page at rest is drawn as often as it can be. */
const spin = () =>
  page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const dot = document.createElement('div');
        dot.style.cssText = 'position:fixed;left:0;top:0;width:4px;height:4px;z-index:99;background:red';
        document.body.append(dot);
        const until = performance.now() + 3000;
        const tick = (now: number) => {
          dot.style.transform = `translateX(${now % 50}px)`;
          if (now < until) requestAnimationFrame(tick);
          else {
            dot.remove();
            resolve();
          }
        };
        requestAnimationFrame(tick);
      }),
  );

const rest = await traced(spin);

const box = await page.getByRole('slider').boundingBox();
if (!box) throw new Error('the ladder is not on the page');
const dose = () => page.getByRole('listitem').filter({ hasText: 'the dose' }).innerText();
const before = await dose();
const drag = await traced(async () => {
  await page.mouse.move(box.x + 100, box.y + box.height * 0.6);
  await page.mouse.down();
  const spinning = spin();
  const until = Date.now() + 2800;
  for (let i = 0; Date.now() < until; i++)
    await page.mouse.move(box.x + 100, box.y + box.height * (0.45 + 0.15 * Math.sin(i / 12)));
  await spinning;
  await page.mouse.up();
});
if ((await dose()) === before) throw new Error('the dose did not follow the finger');

const rate = (gaps: readonly number[]) => gaps.length / gaps.reduce((a, b) => a + b, 0);
bar(
  'dragging the target ÷ at rest, frames drawn a second by the trace',
  rate(drag.gaps) / rate(rest.gaps),
  { atLeast: 0.9 },
  `${(rate(drag.gaps) * 1000).toFixed(0)} and ${(rate(rest.gaps) * 1000).toFixed(0)}; median gap ${median(drag.gaps).toFixed(1)} ms, 95th ${quantile(drag.gaps, 0.95).toFixed(1)} ms; dropped ${drag.dropped} and ${rest.dropped}`,
);

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
bar(
  'one change, planned, rendered and laid out ÷ one frame (16.7 ms), median',
  median(work) / 16.7,
  { atMost: 1 },
  `95th ${(quantile(work, 0.95) / 16.7).toFixed(2)}`,
);

/** A bar of the day's board, dragged to and fro over the burners. */
await page.goto(`${process.env.BASE_URL}/service`);
await page.getByText('Nothing clashes.').waitFor();
await page.waitForTimeout(9000);
const stillBoard = await traced(spin);
const bisque = page
  .getByRole('region', { name: 'The board' })
  .getByRole('button', { name: /^Crab-shell bisque/ });
const at = await bisque.boundingBox();
if (!at) throw new Error('the bisque is not on the board');
const boardDrag = await traced(async () => {
  await page.mouse.move(at.x + 40, at.y + 20);
  await page.mouse.down();
  const spinning = spin();
  const until = Date.now() + 2800;
  for (let i = 0; Date.now() < until; i++)
    await page.mouse.move(at.x + 40 + 120 * Math.sin(i / 15), at.y + 20 - 80 + 70 * Math.sin(i / 31));
  await spinning;
  await page.keyboard.press('Escape');
  await page.mouse.up();
});
bar(
  'dragging a bar ÷ the board at rest, frames drawn a second',
  rate(boardDrag.gaps) / rate(stillBoard.gaps),
  { atLeast: 0.9 },
  `${(rate(boardDrag.gaps) * 1000).toFixed(0)} and ${(rate(stillBoard.gaps) * 1000).toFixed(0)}; median gap ${median(boardDrag.gaps).toFixed(1)} ms, 95th ${quantile(boardDrag.gaps, 0.95).toFixed(1)} ms; dropped ${boardDrag.dropped} and ${stillBoard.dropped}`,
);
await browser.close();
