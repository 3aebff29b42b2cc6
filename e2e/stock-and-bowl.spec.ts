import { expect, type Page, test } from '@playwright/test';
import { db, grams, live, open, settled, watch } from './kit';
import { foundByAxe } from './looks';

test.beforeEach(({ page }) => watch(page));

const BISQUE = '/plan?recipe=crab-shell-bisque&litres=8&pot=tall-steel-36&burner=front-left';
/** Another test may have left a soup in that pot: then it is said, and started all the same. */
async function allTheSame(page: Page): Promise<void> {
  const anyway = page.getByRole('button', { name: 'Start all the same' });
  await anyway
    .or(page.getByRole('link', { name: 'The stock is on the stove' }))
    .or(page.getByRole('region', { name: 'The step at hand' }))
    .first()
    .waitFor();
  if (await anyway.isVisible()) await anyway.click();
}
const axe = async (page: Page, include: string) => {
  const violations = await foundByAxe(page, include);
  return violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`);
};

test('a bisque on shell stock made here: its own pot and clock, started as a batch, shells on the shopping list, both printed', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await open(page, BISQUE);
  await page.getByRole('button', { name: 'On shell stock' }).click();
  const sheet = page.getByRole('dialog', { name: 'On which stock' });
  await expect(sheet.getByRole('radio', { name: /^Fish stock \d.*0\.9 % gelatine/ })).toBeAttached({
    timeout: 40_000,
  });
  expect(await axe(page, '[role=dialog]')).toEqual([]);
  await sheet.getByRole('button', { name: 'Made here, for it' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'On shell stock, made here' })).toBeVisible();
  await expect(page).toHaveURL(/stock=shell-stock&made=now/);

  const first = page.getByRole('region', { name: 'First, the stock' });
  await expect(first.getByRole('heading')).toHaveText(/First, 6\.9 L of shell stock in .* on /);
  await expect(first.getByText('Crab shells')).toBeVisible();
  await expect(first).toContainText(/Water stands 1\.\d times as high/);
  await page.getByRole('button', { name: 'Shop', exact: true }).click();
  const shop = page.getByRole('region', { name: 'Shopping' });
  await expect(shop.getByRole('listitem').filter({ hasText: 'Crab shells' }).first()).toBeVisible();
  await expect(shop.getByText(/^Shell stock/)).toBeHidden();
  await page.getByRole('button', { name: 'Steps', exact: true }).click();
  await expect(first.getByText('Strain', { exact: true })).toBeVisible();

  await first.getByRole('button', { name: 'Start the stock' }).click();
  await allTheSame(page);
  await first.getByRole('link', { name: 'The stock is on the stove' }).click();
  await expect(page).toHaveURL(/\/stove\//);
  await expect(page.getByText(/Shell stock · 6\.9 L in/)).toBeVisible();
  await expect(page.getByRole('list', { name: 'Pots on the stove' })).toContainText('Shell stock');
  // Its recipe is kept for the batch, and stands in no list of soups.
  const { rows } = await db.query(
    "SELECT archived_at IS NOT NULL AS away FROM recipe WHERE id = 'made-shell-stock'",
  );
  expect(rows).toEqual([{ away: true }]);

  await open(page, `${BISQUE}&stock=shell-stock&made=now`.replace('/plan?', '/plan/print?'));
  await expect(page.getByRole('heading', { name: 'Shell stock' })).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/bisque/i);
});

test('stock by the spoon, made before, and not enough of it: each is said and follows', async ({ page }) => {
  test.setTimeout(240_000);
  await open(page, BISQUE);
  const before = await grams(page);
  await page.getByRole('button', { name: 'On shell stock' }).click();
  const sheet = page.getByRole('dialog', { name: 'On which stock' });
  const paste = sheet.getByRole('radio', { name: /^Stock concentrate/ });
  await expect(paste).toBeAttached({ timeout: 40_000 });
  await expect(sheet.getByText(/g stirred into water, 1 pack of 454 g/)).toBeVisible();
  await sheet.locator('label[for=stock-stock-concentrate]').click();
  await expect(paste).toBeChecked();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('listitem').filter({ hasText: 'Stock concentrate' })).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Water' })).toBeVisible();
  expect(Math.abs((await grams(page)) - before)).toBeLessThan(60);

  await page.goto(`${BISQUE}&stock=fish-stock&made=before`);
  await live(page);
  await page.getByRole('button', { name: 'Steps', exact: true }).click();
  const first = page.getByRole('region', { name: 'First, the stock' });
  await expect(first.getByText('Keep it 4 days at 4 °C')).toBeVisible();

  await page.getByRole('button', { name: 'On fish stock, made before' }).click();
  const there = sheet.getByLabel('There is only, L');
  await there.fill('99');
  await expect(sheet.getByText(/“99” cannot be: 0\.08 L to 12\.0 L here\./)).toBeVisible();
  await there.fill('3');
  await sheet.getByLabel('Topped up with').selectOption({ label: 'Vegetable stock, bought' });
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Weigh out', exact: true }).click();
  const weigh = page.getByRole('region', { name: 'Weigh-out' });
  await expect(weigh.getByRole('listitem').filter({ hasText: /^.*3\.0L.*fish stock/i })).toBeVisible();
  await expect(weigh.getByRole('listitem').filter({ hasText: 'Vegetable stock, bought' })).toBeVisible();
  await expect(page).toHaveURL(/topUp=vegetable-stock-bought/);
  await page.reload();
  await live(page);
  await expect(weigh.getByRole('listitem').filter({ hasText: 'Vegetable stock, bought' })).toBeVisible();
});

test('wine is boiled down to a share, and what is held back for the bowl goes with the plan into the record', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await open(page, BISQUE);
  const alcohol = async () => (await page.getByText(/On the pass .* fat/).innerText()).includes('alcohol');
  await page.getByRole('button', { name: /^Wine/ }).click();
  await page.getByText('not boiled down').click();
  await expect(page).toHaveURL(/wine=1/);
  expect(await alcohol()).toBe(true);
  await page.getByRole('button', { name: /^Wine/ }).click();
  await page.getByText('down to 20 %').click();
  await expect(page).toHaveURL(/wine=0\.2/);
  await page.getByRole('button', { name: 'Steps', exact: true }).click();
  await expect(page.getByText('Boil what was poured down to 20 %')).toBeVisible();

  await page.getByRole('button', { name: 'Weigh out', exact: true }).click();
  const bowl = page.getByRole('region', { name: 'For the bowl' });
  await bowl.getByRole('button', { name: 'Choose the garnish' }).click();
  const sheet = page.getByRole('dialog', { name: 'For the bowl' });
  for (const one of ['Large shrimp', 'Croutons', 'Mature cheddar', 'Chives'])
    await sheet.getByLabel(one).check();
  // Four are enough for a bowl.
  await expect(sheet.getByLabel('Dill')).toBeDisabled();
  expect(await axe(page, '[role=dialog]')).toEqual([]);
  await sheet.getByLabel('A portion, mL').fill('5');
  await expect(sheet.getByText('“5” cannot be: a portion is 20 mL to 2 000 mL.')).toBeVisible();
  await sheet.getByLabel('A portion, mL').fill('250');
  await page.keyboard.press('Escape');
  await expect(bowl.getByRole('heading')).toHaveText('For the bowl: 32 portions of 250 mL');
  await expect(bowl).toContainText(/its centre is at 63 °C after \d+ min; probe the largest/);
  await expect(bowl).toContainText('in the pot it is soft in a minute');
  await expect(bowl).toContainText('contains CRUSTACEANS');
  await page.getByRole('button', { name: 'Guests: for all' }).click();
  await page.getByLabel('no milk').check();
  await page.keyboard.press('Escape');
  await expect(bowl.getByRole('alert')).toHaveText('Breaks “no milk”: leave it off.');
  await page.getByRole('button', { name: 'Shop', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Shopping' }).getByText('Croutons')).toBeVisible();

  await page.getByRole('button', { name: 'Start this batch' }).click();
  await allTheSame(page);
  await expect(page).toHaveURL(/\/stove\/[0-9a-f-]{36}/);
  const { plan } = await (await page.request.get(`/api/batches/${page.url().split('/').at(-1)}`)).json();
  expect(plan.garnish.map((g: { name: string; portions: number }) => [g.name, g.portions])).toContainEqual([
    'Croutons, fried',
    32,
  ]);
});

test('the sentence stays two lines at 1280 px, for every soup of the house as it is written', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await page.setViewportSize({ width: 1280, height: 800 });
  const recipes: { body: { id: string } }[] = await (await page.request.get('/api/recipes')).json();
  for (const { body } of recipes) {
    if (body.id.startsWith('made-')) continue;
    await page.goto(`/plan?recipe=${body.id}&litres=12&pot=tall-steel-36&burner=front-left`);
    await settled(page, '/plan');
    const lines = await page
      .getByRole('main')
      .locator('p')
      .first()
      .evaluate((p) =>
        Math.round(p.getBoundingClientRect().height / Number.parseFloat(getComputedStyle(p).lineHeight)),
      );
    expect.soft(lines, body.id).toBeLessThanOrEqual(2);
  }
});
