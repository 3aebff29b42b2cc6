import { expect, type Locator, test } from '@playwright/test';
import { open } from './kit';

const SIZES = [
  ['a phone', 390, 844],
  ['a tablet upright', 820, 1180],
  ['a tablet', 1180, 820],
] as const;

/** Whether something lies wholly on the screen as it opened, and nothing lies over it. */
async function onFirstScreen(what: Locator): Promise<boolean> {
  await what.waitFor();
  return what.evaluate((e) => {
    const r = e.getBoundingClientRect();
    const inside =
      r.width > 0 && r.top >= 0 && r.left >= 0 && r.bottom <= innerHeight && r.right <= innerWidth;
    const top = document.elementFromPoint(r.left + r.width / 2, r.top + r.height / 2);
    return inside && top !== null && (e.contains(top) || top.contains(e));
  });
}

for (const [size, width, height] of SIZES)
  test(`on ${size} the next action is on the first screen: Plan, Stove, Service, Keep`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    const expected = async (what: Locator, name: string) =>
      expect([name, await onFirstScreen(what)]).toEqual([name, true]);
    await open(page, '/plan');
    const dose = page.getByRole('region', { name: 'The dose' });
    await expected(width < 1100 ? dose.locator('b').first() : page.getByText('(the dose)'), 'the dose');
    await expected(page.getByRole('button', { name: /caution/ }), 'the cautions');
    await expected(page.getByRole('button', { name: 'Start this batch' }), 'Start');
    await open(page, '/stove');
    await expected(page.getByRole('button', { name: /^Done, / }), 'Done');
    await expected(
      page.getByRole('button', { name: 'Temperature' }).locator('visible=true').last(),
      'a reading',
    );
    await expected(
      page.getByRole('link', { name: 'Something’s wrong' }).locator('visible=true').last(),
      'Something’s wrong',
    );
    await open(page, '/service');
    // Whatever the day asks for next: to arrange it, to weigh out, to light.
    await expected(page.locator('button.bg-butter.min-h-20'), 'what is next');
    await open(page, '/keep');
    await expected(
      page
        .getByRole('button', {
          name: /^(Enter temperature|Write down|Cold: put it away|It is hot again|Throw it away)/,
        })
        .last(),
      'what is next of what is kept',
    );
  });

test('on a phone every part of the sentence is 44 px high, and what is not in the bar is under More', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, '/plan');
  const parts = page
    .locator('p')
    .filter({ hasText: /^Make / })
    .getByRole('button');
  for (const part of await parts.all()) {
    const box = await part.boundingBox();
    expect([await part.innerText(), (box?.height ?? 0) >= 44]).toEqual([await part.innerText(), true]);
  }
  await page.getByRole('button', { name: /^More/ }).click();
  for (const place of ['Compare', 'Log', 'Recipes', 'Kitchen'])
    await expect(page.getByRole('dialog').getByRole('link', { name: place })).toBeVisible();
});

test('by keys: past the bars to the content, and after Start to the step', async ({ page }) => {
  await open(page, '/recipes');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the content' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('main')).toBeFocused();
  await open(page, '/stove');
  await expect(page.getByRole('heading', { level: 1 })).toBeFocused();
  // What comes up is said to whoever listens.
  const step = await page.getByRole('heading', { level: 1 }).innerText();
  await expect(
    page
      .getByRole('status')
      .filter({ hasText: step.split(' ')[0] ?? '' })
      .first(),
  ).toBeAttached();
});

test('the allergens of a day stand on a sheet of their own, soups down and allergens across', async ({
  page,
}) => {
  await open(page, '/service');
  await page.getByRole('button', { name: 'Files' }).click();
  const [sheet] = await Promise.all([
    page.waitForEvent('popup'),
    page.getByRole('link', { name: 'Allergens for the pass' }).click(),
  ]);
  const table = sheet.getByRole('table', { name: 'Soups and their allergens' });
  await expect(table.getByRole('rowheader')).toHaveCount(5);
  await expect(table.getByRole('columnheader', { name: 'milk' })).toBeVisible();
  await expect(table.getByRole('img', { name: /has milk$/ }).first()).toBeVisible();
  await sheet.close();
});

test('what is this: each view with its picture, and the words of the house, found by typing', async ({
  page,
}) => {
  await open(page, '/keep');
  await page.getByRole('button', { name: /^More/ }).click();
  await page
    .getByRole('dialog', { name: 'This screen' })
    .getByRole('link', { name: 'What is this?' })
    .click();
  await expect(page).toHaveURL(/\/help#keep/);
  await expect(page.getByRole('heading', { name: 'Keep', level: 2 })).toBeInViewport();
  const picture = page.getByRole('img', { name: /^Keep, as it looks/ });
  await expect(picture).toBeVisible();
  await expect.poll(() => picture.evaluate((e) => (e as HTMLImageElement).naturalWidth)).toBeGreaterThan(600);
  await page.getByLabel('Find a word').fill('kneaded');
  await expect(page.getByRole('definition').first()).toContainText('flour worked into soft butter');
});
