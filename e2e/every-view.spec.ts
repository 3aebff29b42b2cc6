import { expect, test } from '@playwright/test';
import { settled, VIEWS, watch } from './kit';
import { foundByAxe, looksRight } from './looks';

// The longest of all: its tests go to whichever browser is free.
test.describe.configure({ mode: 'parallel' });

test.beforeEach(({ page }) => watch(page));

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
      await looksRight(page, path);
    }
  });
}

test('sheets opened over the Plan are clean too, and give the focus back', async ({ page }) => {
  test.setTimeout(240_000);
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
      await expect(sheet.getByText(/Liaison of yolk/)).toBeVisible({ timeout: 40_000 });
    const violations = await foundByAxe(page, '[role=dialog]');
    expect(violations.map((v) => `${String(title)} ${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
    await page.keyboard.press('Escape');
    await expect(sheet).toBeHidden();
    await expect(trigger).toBeFocused();
  }
});
