import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { settled, VIEWS, watch } from './kit';

// The longest of all: its tests go to whichever browser is free.
test.describe.configure({ mode: 'parallel' });

test.beforeEach(({ page }) => watch(page));

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

/** What axe finds on the page as it stands. */
async function clean(page: Page, what: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(
    violations.map((v) => `${what} ${v.id}: ${v.nodes.map((x) => x.html.slice(0, 160)).join(' | ')}`),
  ).toEqual([]);
}

test('a dim screen is dim from its first paint', async ({ page }) => {
  await page.addInitScript(() => localStorage.setItem('panache.theme', 'dim'));
  await page.goto('/kitchen', { waitUntil: 'commit' });
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim');
});

// In quarters, so that no browser is left with all of them.
for (const quarter of [0, 1, 2, 3]) {
  test(`nothing is cut off at three widths, targets are 48 px and axe finds nothing, light and dim: quarter ${quarter + 1}`, async ({
    page,
  }) => {
    test.setTimeout(300_000);
    for (const [n, path] of VIEWS.entries()) {
      if (n % 4 !== quarter) continue;
      await page.setViewportSize({ width: 1280, height: 800 });
      await page.goto(path);
      await settled(page, path);
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
  });
}

test('sheets opened over the Plan are clean too, and give the focus back', async ({ page }) => {
  test.setTimeout(90_000);
  await page.goto('/plan?litres=30&pot=tall-steel-36');
  await settled(page, '/plan');
  for (const [button, title] of [
    [/^How much/, 'How much'],
    [/^Soup/, 'Soup'],
    [/^Thickened with/, 'Thickened with'],
    [/^Finished with/, 'Finished with'],
    [/^Guests: for all/, 'For whom'],
    [/^On /, 'On which stock'],
    [/^Choose the garnish/, 'For the bowl'],
    [/^Sizes/, 'What changes with the size'],
    [/^Print or export/, 'Print or export the plan'],
    [/^By a test/, 'Aim by a test'],
    [/cautions?$/, 'Before you start'],
    [/^Chance of/, /^Chance of/],
  ] as const) {
    const trigger = page.getByRole('button', { name: button });
    await trigger.click();
    const sheet = page.getByRole('dialog', { name: title });
    await expect(sheet).toBeVisible();
    if (title === 'Thickened with')
      await expect(sheet.getByText(/Liaison of yolk/)).toBeVisible({ timeout: 20_000 });
    const { violations } = await new AxeBuilder({ page }).include('[role=dialog]').analyze();
    expect(violations.map((v) => `${String(title)} ${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
    await page.keyboard.press('Escape');
    await expect(sheet).toBeHidden();
    await expect(trigger).toBeFocused();
  }
});
