import { expect, type Page, test } from '@playwright/test';
import pg from 'pg';
import { app as here } from './app';
import { started } from './stove';

const PARSNIP_40 = '/plan?recipe=smoked-parsnip-veloute&litres=40&pot=deep-42&burner=floor-ring';

const db = new pg.Pool({ connectionString: here.databaseUrl, max: 2 });
test.afterAll(() => db.end());

const batches = async () => Number((await db.query('SELECT count(*) FROM batch')).rows[0].count);
const events = async (id: string) =>
  (await db.query('SELECT body FROM batch_event WHERE batch_id = $1 ORDER BY seq', [id])).rows;

const dose = (page: Page) => page.getByRole('listitem').filter({ hasText: 'the dose' });
const grams = async (page: Page) =>
  Number(((await dose(page).innerText()).match(/([\d\s]+)g/)?.[1] ?? '').replaceAll(/\s/g, ''));

test.beforeEach(({ page }) => {
  page.on('pageerror', (error) => {
    throw error;
  });
});

test('plan, drag the target, start the batch, reload, mark a step done', async ({ page }) => {
  // Something is on the stove: the day's board comes first, and Plan is one tap away.
  await page.goto('/');
  await expect(page).toHaveURL(/\/service/);
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await expect(page).toHaveURL(/\/plan/);
  await expect(page.getByRole('button', { name: 'Start this batch' })).toBeVisible();
  await expect(page.getByText(/Chance of Coating/)).toBeVisible();
  const before = await grams(page);
  expect(before).toBeGreaterThan(100);

  const ladder = page.getByRole('slider', { name: /Target consistency/ });
  const box = (await ladder.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height * 0.45);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height * 0.3, { steps: 8 });
  await page.mouse.up();
  await expect(ladder).toHaveAttribute('aria-valuetext', /Hearty/);
  expect(await grams(page)).toBeGreaterThan(before * 1.15);
  await expect(page.getByText(/Chance of Hearty/)).toBeVisible();

  const wanted = await dose(page).innerText();
  const count = await batches();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await started(page);
  expect(await batches()).toBe(count + 1);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Sweat the leek and celery');
  await expect(page.getByRole('list', { name: 'Pots on the stove' })).toContainText(
    'Cockle and leek chowder',
  );

  await page.getByRole('button', { name: 'Done, next' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Dust with plain flour');
  const figure =
    wanted
      .match(/[\d\s]+/)?.[0]
      .trim()
      .replaceAll(/\s/g, ' ') ?? '';
  await expect(page.getByText(new RegExp(`^${figure.replaceAll(' ', '\\s')}\\sg$`))).toBeVisible();

  const id = page.url().split('/').at(-1)!;
  await expect.poll(() => events(id)).toEqual([{ body: { kind: 'step-done', step: 0 } }]);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Dust with plain flour');
  await expect(page.getByText('step 2 of 11')).toBeVisible();

  await page.getByRole('button', { name: 'Take back' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Sweat the leek and celery');
  await expect.poll(async () => (await events(id)).length).toBe(2);
});

test.describe('without the worker that keeps pages', () => {
  // What goes through it is out of reach of a test that cuts single requests.
  test.use({ serviceWorkers: 'block' });
  test('a tap made while the server is away is kept and arrives once', async ({ page }) => {
    await page.goto('/plan?recipe=smoked-parsnip-veloute&litres=6');
    await page.getByRole('button', { name: 'Start this batch' }).click();
    await started(page);
    const id = page.url().split('/').at(-1)!;
    // The clock runs once the page is live; before that nobody could have tapped.
    await expect(page.getByRole('timer')).toHaveText(/\d\d:\d\d/);
    await page.route('**/events', (route) => route.abort());
    await page.keyboard.press('n');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Cook a blond roux');
    await expect(page.getByText('1 waiting to be saved')).toBeVisible();
    expect(await events(id)).toEqual([]);
    await page.unroute('**/events');
    await expect(page.getByText('1 waiting to be saved')).toBeHidden({ timeout: 40_000 });
    expect(await events(id)).toEqual([{ body: { kind: 'step-done', step: 0 } }]);
  });
});

test('the plan says how much thinner a multiplied recipe would be, and why', async ({ page }) => {
  await page.goto(PARSNIP_40);
  await expect(page.getByText(/The 2 L recipe × 20 would come out \d+ % thinner/)).toBeVisible();
  await expect(page.getByText(/less water boils off here than it counts on/)).toBeVisible();
});

test('every underlined part changes the plan', async ({ page }) => {
  await page.goto('/plan');
  await page.getByRole('button', { name: /How much/ }).click();
  await page.getByLabel('How much at the pass').fill('20');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'How much: 20 L' })).toBeVisible();
  const choose = async (part: RegExp, option: RegExp) => {
    await page.getByRole('button', { name: part }).click();
    await page.getByRole('radiogroup').getByText(option).first().click();
    await expect(page.getByRole('radiogroup')).toBeHidden();
  };
  await choose(/^Soup/, /Smoked parsnip/);
  await choose(/^Pot:/, /Deep 42/);
  await choose(/^Burner/, /Floor ring/);
  await choose(/^Consistency/, /^Light/);
  const pale = await grams(page);
  await choose(/^Roux colour/, /brown roux/);
  expect(await grams(page)).toBeGreaterThan(pale * 1.3);
  await choose(/^Equal parts/, /by volume/);
  await page.getByRole('button', { name: /Served at/ }).click();
  await page.getByLabel('On the pass at').fill('19:45');
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/at=19%3A45/);
  await page.reload();
  for (const words of [
    '20 L',
    'smoked parsnip velouté',
    'Light',
    'Deep 42',
    'Floor ring',
    'brown',
    'equal parts by volume',
    '19:45',
  ]) {
    await expect(page.getByText(words, { exact: true }).first()).toBeVisible();
  }
});

test('bad input is named in the form, kept as typed, and nothing is written', async ({ page, request }) => {
  await page.goto('/plan');
  const count = await batches();
  await page.getByRole('button', { name: /How much/ }).click();
  const field = page.getByLabel('How much at the pass');
  for (const typed of ['0', '-3', 'twelve', '9999']) {
    await field.fill(typed);
    await expect(page.getByRole('alert').filter({ hasText: 'How much' })).toContainText(
      `“${typed}” cannot be made. Write a number from 0.2 to 500 L`,
    );
    await expect(field).toHaveValue(typed);
    await expect(field).toHaveAttribute('aria-invalid', 'true');
  }
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'How much: 12 L' })).toBeVisible();

  await page.goto('/plan?litres=60&pot=low-wide-26');
  await expect(page.getByText(/does not go into Low Wide 26: it holds 4.0 L/)).toBeVisible();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByText(/at most 3.2 L/)).toBeVisible();
  await expect(page).toHaveURL(/\/plan/);

  const large = await request.post('/api/batches', {
    data: 'x'.repeat(10 * 1024 * 1024),
    headers: { 'content-type': 'application/json' },
  });
  expect(large.status()).toBe(413);
  const wrong = await request.post('/api/batches', { data: { recipeId: 'gruel', litres: 0 } });
  expect(wrong.status()).toBe(400);
  expect(((await wrong.json()) as { problems: { field: string }[] }).problems.map((p) => p.field)).toEqual(
    expect.arrayContaining(['litres', 'target', 'vesselId', 'id']),
  );
  expect(await batches()).toBe(count);
});

test('an unknown batch is said to be unknown', async ({ page }) => {
  const response = await page.goto('/stove/not-a-batch');
  expect(response?.status()).toBe(404);
  await expect(page.getByRole('heading', { name: 'Not on the stove' })).toBeVisible();
});

test('all of it works by keyboard', async ({ page }) => {
  await page.goto('/plan');
  await page.getByRole('slider', { name: /Target/ }).focus();
  const before = await grams(page);
  await page.keyboard.press('PageUp');
  expect(await grams(page)).toBeGreaterThan(before);
  await page.getByRole('checkbox', { name: /Leek/ }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('1 of 12')).toBeVisible();
  await page.reload();
  await expect(page.getByText('1 of 12')).toBeVisible();
  await page.getByRole('slider', { name: /Target/ }).focus();
  await page.keyboard.press('g');
  await page.keyboard.press('s');
  await expect(page).toHaveURL(/\/stove\//);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  // r alone writes a temperature down at the stove; after g it goes to the recipes and nothing else.
  await page.keyboard.press('g');
  await page.keyboard.press('r');
  await expect(page).toHaveURL(/\/recipes$/);
  await expect(page.getByRole('dialog')).toBeHidden();
});

test('an address with a number it cannot take says so, on the page and to who exports', async ({ page }) => {
  await page.goto('/plan?litres=8,5&pot=nowhere&burner=front-left');
  const said = page.getByRole('main').getByRole('alert').first();
  await expect(said).toContainText('litres “8,5”, which is not a number from 0.2 to 500');
  await expect(said).toContainText('pot “nowhere”');
  const refused = await page.request.get('/api/plan/export?as=csv&litres=-3&target=thick');
  expect(refused.status()).toBe(422);
  expect((await refused.json()).problems.map((p: { field: string }) => p.field)).toEqual([
    'litres',
    'target',
  ]);
  expect((await page.request.get('/api/plan/export?as=csv&litres=8.5')).status()).toBe(200);
});
