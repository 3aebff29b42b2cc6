import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** A desk, a tablet upright, a phone. */
const WIDTHS = [
  [1280, 800],
  [820, 1180],
  [390, 844],
] as const;

/** What is wider than its screen. */
const cutOff = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll('main button, main input, main select, main h1, main h2, main a')]
      .filter(
        (e) =>
          !e.closest('.overflow-auto, .overflow-x-auto, .sr-only, [aria-hidden]') &&
          !e.classList.contains('sr-only'),
      )
      .map((e) => ({ e, r: e.getBoundingClientRect() }))
      .filter(({ r }) => r.width > 0 && (r.right > window.innerWidth + 1 || r.left < -1))
      .map(
        ({ e, r }) =>
          `${e.tagName} ${e.textContent?.slice(0, 30)} ${Math.round(r.left)}–${Math.round(r.right)}`,
      ),
  );

/** What a knuckle would miss. */
const tooSmall = (page: Page) =>
  page.evaluate(() =>
    [
      ...document.querySelectorAll(
        'main button, main select, main input, main label:has(input), main a, nav a, nav button, header a',
      ),
    ]
      // A control within a sentence is as tall as its line; a box to tick is as large as its label; how wide a bar of
      // the board is its minutes say, and it is as high as a knuckle.
      // What only repeats for a finger what a list has is no control of its own.
      .filter((e) => !e.closest('[aria-hidden]'))
      .filter((e) => !e.closest('p') && !e.closest('.sr-only') && !e.classList.contains('sr-only'))
      .filter((e) => !(e instanceof HTMLInputElement && e.type === 'checkbox' && e.closest('label')))
      .map((e) => ({
        name: `${e.tagName} ${e.textContent?.slice(0, 30)}`,
        isBar: e.matches('[aria-roledescription]'),
        ...e.getBoundingClientRect().toJSON(),
      }))
      .filter((r) => r.width > 0 && (r.height < 47.5 || (r.width < 47.5 && !r.isBar)))
      .map((r) => `${r.name} ${Math.round(r.width)}×${Math.round(r.height)}`),
  );

/**
 * What axe finds on the page as it stands, or in part of it. In the page itself (its “legacy mode”): there is no frame of another’s to
 * look into, and the other way opens a second page each time, for half of the work of a whole view.
 */
export async function foundByAxe(page: Page, include?: string) {
  const axe = new AxeBuilder({ page }).setLegacyMode();
  return (await (include ? axe.include(include) : axe).analyze()).violations;
}

async function clean(page: Page, what: string): Promise<void> {
  const violations = await foundByAxe(page);
  expect(
    violations.map((v) => `${what} ${v.id}: ${v.nodes.map((x) => x.html.slice(0, 160)).join(' | ')}`),
  ).toEqual([]);
}

/** The page as it stands: nothing cut off at three widths, targets a knuckle hits, nothing axe finds, light and dim. */
export async function looksRight(page: Page, path: string): Promise<void> {
  for (const [width, height] of WIDTHS) {
    await page.setViewportSize({ width, height });
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(wide, `${path} at ${width}`).toBeLessThanOrEqual(0);
    // What does not scroll sideways must not be wider than the screen either.
    expect(await cutOff(page), `${path} at ${width}`).toEqual([]);
    if (width !== 1280) continue;
    expect(await tooSmall(page), path).toEqual([]);
    await clean(page, `${path}, light`);
  }
  // The theme changes colours and nothing else: the page need not come again for it.
  await page.evaluate(() => {
    document.documentElement.dataset.theme = 'dim';
  });
  await clean(page, `${path}, dim and narrow`);
}
