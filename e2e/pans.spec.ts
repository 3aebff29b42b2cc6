import { expect, type Page, test } from '@playwright/test';
import { open, watch } from './kit';
import { foundByAxe } from './looks';
import { begin, done, eventsOf, heading, left, pass, simulate } from './stove';

test.beforeEach(async ({ page }) => {
  watch(page);
  await simulate.clock(new Date().toISOString());
});

const CARROT = 'recipe=roast-carrot-cream&litres=6&pot=middle-28&burner=front-left';

/** No axe violation on the page as it stands. */
async function clean(page: Page, what: string): Promise<void> {
  const violations = await foundByAxe(page);
  expect(violations.map((v) => `${what} ${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
}

const pan = (page: Page, name: string) =>
  page.getByRole('list', { name: 'Pans' }).getByRole('button', { name: new RegExp(`^${name}`) });

test('the plan says which pan is for what, and shows them side by side', async ({ page }) => {
  await open(page, `/plan?${CARROT}`);
  await page.getByRole('button', { name: /^Pans beside the pot: tray and cream pan/ }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText(/tray\s*a tray in the oven/);
  await expect(sheet).toContainText(/cream pan\s*.+ on Front right/);
  await page.keyboard.press('Escape');
  const line = (name: RegExp) => page.getByRole('listitem').filter({ hasText: name });
  await expect(line(/Carrot/).first()).toContainText('tray');
  await expect(line(/Heavy cream/).first()).toContainText('cream pan');
  await page.getByRole('combobox', { name: 'Weigh-out laid out' }).selectOption('pan');
  await expect(page.getByRole('heading', { name: 'for cream pan' })).toBeVisible();
  await page.getByRole('button', { name: 'Pans', exact: true }).click();
  const lanes = page.getByRole('region', { name: 'Pans side by side' });
  await expect(lanes.getByRole('listitem')).toHaveCount(3);
  await expect(lanes.getByRole('img', { name: /, Pour “tray” into the pot$/ })).toHaveCount(2);
  await clean(page, 'plan of pans');
});

test('a soup of three pans is cooked to the pass: the tray goes by itself, and what is due fills the screen', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await page.clock.install();
  const id = await begin(page, CARROT);
  await expect(heading(page)).toHaveText('Roast the carrot');
  await page.getByRole('button', { name: 'It is on, next' }).click();
  // The onion is for later: meanwhile the tray is watched, and what is next says when.
  await expect(heading(page)).toHaveText('Roast the carrot');
  await expect(page.getByText(/^Next, at \d\d:\d\d/)).toBeVisible();
  await expect(pan(page, 'tray')).toContainText(/\d\d:\d\d/);
  await expect(pan(page, 'cream pan')).toContainText('empty');
  await clean(page, 'stove of pans');
  await pass(page, 27 * 60);
  await expect(heading(page)).toHaveText(/^(Add the heavy cream|Sweat the onion)/);
  // Its time over, the tray comes up by itself.
  await pass(page, 11 * 60);
  await expect(heading(page)).toHaveText('Roast the carrot');
  await expect(pan(page, 'tray')).toContainText('due');
  await done(page);
  // The temperature of a pan beside the pot is its own, and no reading of the soup.
  await pan(page, 'tray').click();
  await page.getByRole('button', { name: 'Write its temperature down' }).click();
  await page.getByRole('dialog').getByRole('textbox').fill('91');
  await page.getByRole('dialog').getByRole('button', { name: 'Write', exact: true }).click();
  await expect
    .poll(async () => (await eventsOf(id)).filter((e) => /temperature$/.test(e.body.kind)).map((e) => e.body))
    .toMatchObject([{ kind: 'pan-temperature', pan: 'tray', celsius: 91 }]);
  for (let n = 0; n < 20; n++) {
    if (await page.getByRole('heading', { name: /Write it down|On the pass/ }).count()) break;
    const seconds = await left(page).catch(() => 0);
    if (seconds > 0) await pass(page, seconds);
    const before = await heading(page).textContent();
    await page.getByRole('button', { name: /^(Done, next|Done, to the pass|It is on, next)$/ }).click();
    if (/^Season/.test(before ?? '')) break;
  }
  await expect(page.getByRole('heading', { name: /pass/i }).first()).toBeVisible();
});

test('a recipe of one pot is given a skillet: a step dragged or put into it is done there, and poured back', async ({
  page,
}) => {
  await open(page, '/recipes/cockle-and-leek-chowder');
  await page.getByRole('button', { name: 'Pan', exact: true }).click();
  await page.getByRole('textbox', { name: 'Called' }).fill('skillet');
  const steps = page.getByRole('list', { name: 'Steps' });
  await steps.getByRole('button', { name: /^1\s/ }).click();
  await page.getByRole('combobox', { name: 'Done in' }).selectOption('skillet');
  await expect(steps).toContainText('In “skillet”');
  // Never poured: refused in words that say what to change.
  await expect(page.getByText(/“skillet” is never poured into another/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Step', exact: true }).click();
  await page.getByRole('button', { name: /^Pour into/ }).click();
  await expect(page.getByRole('combobox', { name: 'Out of' })).toHaveValue('skillet');
  await expect(page.getByText(/is never poured into another/)).toHaveCount(0);
  await clean(page, 'editor of pans');
});
