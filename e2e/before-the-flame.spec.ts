import { randomUUID } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Page, test } from '@playwright/test';
import { db, dose, grams, live, open, settled, watch } from './kit';

test.beforeEach(({ page }) => watch(page));

const count = async (table: string) =>
  Number((await db.query(`SELECT count(*) FROM ${table}`)).rows[0].count);

const JSON_LD = {
  '@context': 'https://schema.org',
  '@type': 'Recipe',
  name: 'Harbour leek and potato soup',
  recipeYield: '6 servings',
  recipeIngredient: [
    '3 tbsp butter',
    '3 leeks (about 450 g), sliced',
    '1/3 cup all-purpose flour',
    '6 cups chicken stock',
    '2 large potatoes, peeled and diced',
    '1 cup heavy cream',
    'Salt, to taste',
    '1 tsp fairy dust',
  ],
  recipeInstructions: [
    { '@type': 'HowToStep', text: 'Sweat the leeks 12 minutes.' },
    { '@type': 'HowToStep', text: 'Simmer for 20 minutes until tender.' },
  ],
};

const file = (name: string, text: string) => {
  const path = join(tmpdir(), `panache-e2e-${process.pid}-${name}`);
  writeFileSync(path, text);
  return path;
};

test('a new user brings a recipe as JSON-LD, looks at its lines, plans it at 25 L and prints it', async ({
  page,
}) => {
  await open(page, '/');
  await page.getByRole('link', { name: 'Recipes' }).click();
  await page.getByRole('link', { name: 'From a file' }).click();
  const before = await count('recipe');
  await page.getByLabel('Choose a file').setInputFiles(file('leek.json', JSON.stringify(JSON_LD)));

  // The first a server works out after it starts takes as long as its thread to begin.
  await expect(page.getByRole('heading', { name: 'Look at each line' })).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText(/8 lines of \S*leek\.json: 7 go in, 1 left out, 3 in doubt/)).toBeVisible();
  const make = page.getByRole('button', { name: 'Make the recipe' });
  await expect(make).toBeDisabled();
  await expect(page.getByText(/The weight in brackets was taken/)).toBeVisible();
  await page.getByRole('button', { name: 'Line 2 is right' }).click();
  await page.getByLabel('Amount of line 5').fill('400 g');
  await expect(page.getByText('1 tsp fairy dust').first()).toBeVisible();
  await expect(page.getByLabel('When line 8 goes in')).toHaveValue('left out');
  await page.getByRole('button', { name: 'Leave line 8 out' }).click();
  await make.click();

  await expect(page).toHaveURL(/\/recipes\/new/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Harbour leek and potato soup');
  await expect(page.getByText('After each step')).toBeVisible();
  expect(await count('recipe')).toBe(before);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page).toHaveURL(/\/recipes\/harbour-leek-and-potato-soup$/);
  expect(await count('recipe')).toBe(before + 1);

  await page.getByRole('link', { name: 'Plan it' }).click();
  await page.getByRole('button', { name: /How much/ }).click();
  await page.getByLabel('How much at the pass').fill('25');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'How much: 25 L' })).toBeVisible();
  // The pot it was planned in may be too small: one tap puts that right.
  await page.getByRole('button', { name: /^Take Tall Steel 36/ }).click();
  await expect(page.getByRole('button', { name: 'Pot: Tall Steel 36' })).toBeVisible();
  const wanted = await grams(page);
  expect(wanted).toBeGreaterThan(200);

  await page.getByRole('button', { name: /Print or export/ }).click();
  const [printed] = await Promise.all([
    page.waitForEvent('popup'),
    page.getByRole('link', { name: /Print: open the page/ }).click(),
  ]);
  await expect(printed.getByRole('heading', { level: 1 })).toHaveText('Harbour leek and potato soup');
  await expect(printed.getByText(/^25 L, /)).toBeVisible();
  await expect(printed.getByRole('listitem').filter({ hasText: '(the dose)' })).toContainText(
    String(wanted).replace(/\B(?=(\d{3})+$)/, '\u00a0'),
  );
  await printed.emulateMedia({ media: 'print' });
  await expect(printed.getByRole('navigation', { name: 'Views' })).toBeHidden();
  const paper = await printed.pdf({ format: 'A4' });
  expect(paper.subarray(0, 5).toString()).toBe('%PDF-');
  await printed.close();
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'PDF, A4' }).click(),
  ]);
  expect(pdf.suggestedFilename()).toBe('harbour-leek-and-potato-soup-25L.pdf');
  expect(
    readFileSync(await pdf.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
});

test('files that are broken, huge or of another kind are refused with the line and the reason', async ({
  page,
  request,
}) => {
  await open(page, '/recipes/import');
  const choose = page.getByLabel('Choose a file');
  const refused = page.getByRole('alert').filter({ hasText: 'cannot be used' });
  const before = [await count('recipe'), await count('recipe_version')];
  for (const [name, text, says] of [
    ['broken.json', '{"@type": "Recipe",\n "name": }', /line 2, column 10: not JSON: a value was expected/],
    ['empty.json', '{"@type":"Recipe"}', /recipeIngredient: the recipe lists no ingredients/],
    ['picture.json', '\u0089PNG\r\n', /no recipe is found in it/],
    ['list.json', '{"milk": 2}', /neither a Panache file nor a schema.org Recipe/],
    [
      'bad.json',
      JSON.stringify({ format: 'panache.recipe/1', id: 'x' }, null, 1),
      /line 1, name: is missing/,
    ],
    ['huge.json', `[${' '.repeat(4_100_000)}]`, /at most 4000000 bytes/],
  ] as const) {
    await choose.setInputFiles(file(name, text));
    await expect(refused).toContainText(name.replace('.json', ''));
    await expect(refused).toContainText(says);
  }
  expect([await count('recipe'), await count('recipe_version')]).toEqual(before);
  for (const [url, data] of [
    ['/api/open', 'x'.repeat(4_100_000)],
    ['/api/recipes', JSON.stringify({ body: 'y'.repeat(300_000) })],
  ] as const) {
    const answer = await request.post(url, { data, headers: { 'content-type': 'application/json' } });
    expect(answer.status()).toBe(413);
  }
  for (const url of [
    '/api/recipes',
    '/api/drafts',
    '/api/kitchen/water-tests',
    '/api/foresight',
    '/api/archive',
  ]) {
    for (const data of ['', '{', 'null', '[]', '{"body":7}']) {
      const answer = await request.post(url, { data, headers: { 'content-type': 'application/json' } });
      expect(answer.status(), `${url} ${data}`).toBeLessThan(500);
    }
  }
});

test('a recipe is edited beside what it comes to, reordered by mouse and by keys, versioned and restored', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await open(page, '/recipes/smoked-parsnip-veloute');
  await settled(page, '/recipes/cockle');
  const steps = page
    .getByRole('list', { name: 'Steps' })
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: /^Move step/ }) });
  const order = () => steps.locator('b').allInnerTexts();
  const first = await order();
  expect(first.slice(0, 2)).toEqual(['Sweat', 'Cook a roux']);
  const litres = page.locator('p.figures').filter({ hasText: 'mPa·s' });

  // More cream, in cups: what it comes to follows.
  const cream = steps.filter({ hasText: 'heavy cream' });
  await cream.getByRole('button', { expanded: false }).click();
  const fat = async () =>
    Number((await page.getByText(/fat [\d.]+ % of the liquid/).innerText()).match(/fat ([\d.]+)/)?.[1]);
  const fatBefore = await fat();
  await page.getByLabel('Amount of heavy cream, 36 %').fill('1 1/2 cups');
  await expect.poll(fat).toBeGreaterThan(fatBefore * 1.5);
  await expect(litres).toContainText('2.0 L');

  // An impossible amount is said where it stands, and stays as typed.
  await page.getByLabel('Amount of heavy cream, 36 %').fill('two shakes');
  await expect(page.getByText('One mistake to correct')).toBeVisible();
  await page.getByRole('button', { name: /amount: “two shakes” is not an amount/ }).click();
  await expect(page.getByLabel('Amount of heavy cream, 36 %')).toBeFocused();
  await expect(page.getByLabel('Amount of heavy cream, 36 %')).toHaveAttribute('aria-invalid', 'true');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Not saved' })).toBeVisible();
  await expect(page.getByLabel('Amount of heavy cream, 36 %')).toHaveValue('two shakes');
  await page.getByLabel('Amount of heavy cream, 36 %').fill('1 1/2 cups');
  await cream.getByRole('button', { expanded: true }).click();

  // By mouse: the last step one up, then by keys back down.
  const grips = page.getByRole('button', { name: /^Move step/ });
  const last = first.length - 1;
  const from = (await grips.nth(last).boundingBox())!;
  const to = (await grips.nth(last - 1).boundingBox())!;
  await page.mouse.move(from.x + 20, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 20, from.y, { steps: 4 });
  await page.mouse.move(to.x + 20, to.y + 10, { steps: 8 });
  await page.mouse.up();
  await expect.poll(order).toEqual([...first.slice(0, last - 1), first[last], first[last - 1]]);
  await grips.nth(last - 1).focus();
  await page.keyboard.press('Space');
  await page.waitForTimeout(150);
  await page.keyboard.press('ArrowDown');
  await page.waitForTimeout(300);
  await page.keyboard.press('Space');
  await expect.poll(order).toEqual(first);

  await page.getByLabel('What changed and why').fill('richer, for Fridays');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('version 2', { exact: true })).toBeVisible();

  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('link', { name: 'Versions, and what changed' }).click();
  await expect(page.getByText('richer, for Fridays')).toBeVisible();
  await expect(page.getByText('Heavy cream, 36 %: 1 1/2 cups')).toBeVisible();
  await expect(page.getByText('Heavy cream, 36 %: 90 mL').first()).toBeVisible();
  await page.getByRole('button', { name: 'Make version 1 the newest' }).click();
  await expect(page).toHaveURL(/smoked-parsnip-veloute$/);
  await expect(page.getByText('version 3', { exact: true })).toBeVisible();
  expect(
    (await db.query("SELECT count(*) FROM recipe_version WHERE recipe_id = 'smoked-parsnip-veloute'")).rows[0]
      .count,
  ).toBe('3');
});

test('changes not saved survive a closed tab; a step can be added, copied and taken out; a copy put away', async ({
  page,
}) => {
  await open(page, '/recipes/new?from=roast-carrot-cream');
  await settled(page, '/recipes/new');
  await page.getByLabel('Name').fill('Roast-carrot cream for Sundays');
  await page.getByRole('button', { name: 'Step', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: /^Hold/ }).click();
  await expect(page.getByText(/^Hold/).first()).toBeVisible();
  await page.getByLabel('At, °C').fill('70');
  await page.getByRole('button', { name: 'Copy', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Move step \d+, Hold/ })).toHaveCount(2);
  await page.getByRole('button', { name: 'Take out', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Move step \d+, Hold/ })).toHaveCount(1);
  await page.waitForTimeout(600);
  page.on('dialog', (d) => d.accept());
  await open(page, '/recipes/new');
  await page.getByRole('button', { name: 'Bring them back' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Roast-carrot cream for Sundays');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page).toHaveURL(/\/recipes\/roast-carrot-cream-for-sundays$/);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: 'Put it away' }).click();
  await expect(page).toHaveURL(/\/recipes$/);
  await expect(page.getByText('Roast-carrot cream for Sundays')).toBeHidden();
  await page.getByRole('button', { name: 'Put away' }).click();
  await expect(page.getByText('Roast-carrot cream for Sundays')).toBeVisible();
  await page.getByRole('button', { name: 'In use' }).click();
  await page.keyboard.press('/');
  await page.keyboard.type('haddock potato');
  await expect(page.getByText(/^1 of \d+ in use/)).toBeVisible();
});

test('the thickener is chosen with reasons, split, and taken from Compare into the plan', async ({
  page,
}) => {
  await open(page, '/plan?recipe=cockle-and-leek-chowder');
  await settled(page, '/plan');
  const flour = await grams(page);
  await page.getByRole('button', { name: /^Thickened with/ }).click();
  const sheet = page.getByRole('dialog', { name: 'Thickened with' });
  await expect(sheet.getByText('Arrowroot turns slimy with milk or cream.')).toBeVisible({ timeout: 40_000 });
  await expect(sheet.getByText(/Liaison of yolk/)).toBeVisible({ timeout: 40_000 });
  await sheet.getByText('Cornstarch slurry').click();
  await sheet.getByRole('button', { name: '50 %' }).click();
  await page.keyboard.press('Escape');
  await expect(
    page.getByRole('button', {
      name: /cornstarch slurry for 50 %, dusted flour, with potatoes for the rest/,
    }),
  ).toBeVisible();
  await expect(dose(page)).toHaveCount(2);
  await expect(page).toHaveURL(/way=slurry.cornstarch/);
  await expect(page).toHaveURL(/share=0\.5/);
  await page.reload();
  await live(page);
  await expect(dose(page)).toHaveCount(2);
  await expect(dose(page).filter({ hasText: 'Cornstarch' })).toBeVisible();

  await open(page, '/compare?recipe=cockle-and-leek-chowder&litres=12');
  await settled(page, '/compare');
  await expect(page.getByRole('row')).toHaveCount(14);
  await page.getByRole('button', { name: /^Rice-flour slurry/ }).click();
  await expect(page.getByText(/Freezes well/).last()).toBeVisible();
  await page.getByRole('button', { name: 'Curves' }).click();
  await expect(page.locator('figure svg').first()).toBeVisible();
  await page.getByRole('link', { name: 'Take it into the plan' }).click();
  await expect(page).toHaveURL(/\/plan\?.*way=slurry.rice-flour/);
  await expect(dose(page)).toContainText('Rice flour');
  expect(await grams(page)).toBeLessThan(flour);
});

test('the dairy is changed in two taps: evaporated milk as rich as before, and the flour follows; richer by a tap', async ({
  page,
}) => {
  await open(page, '/plan?recipe=cockle-and-leek-chowder&litres=12&pot=tall-steel-36&burner=front-left');
  const before = await grams(page);
  const cups = page.getByRole('listitem').filter({ hasText: 'Evaporated milk' });
  await expect(cups).toBeHidden();
  await page.getByRole('button', { name: 'Finished with whole milk and heavy cream' }).click();
  const sheet = page.getByRole('dialog', { name: 'Finished with' });
  await expect(sheet.getByText('Stands the boil.').first()).toBeVisible({ timeout: 40_000 });
  const evaporated = sheet.getByRole('radio', { name: /^Evaporated milk \d/ });
  await expect(sheet.getByRole('radio', { name: /^Oat drink/ })).toBeVisible({ timeout: 40_000 });
  // Out of sight in its row, which is what a finger taps.
  await sheet
    .locator('label')
    .filter({ has: page.getByRole('radio', { name: /^Evaporated milk \d/ }) })
    .click();
  // The list stays where it is: what is beside what was ordered is not worked out anew by a tap.
  await expect(evaporated).toBeChecked();
  await expect(sheet.getByText(/% fat/).first()).toBeVisible();
  await sheet.getByRole('button', { name: 'Richer' }).click();
  await page.keyboard.press('Escape');
  await expect(
    page.getByRole('button', { name: /^Finished with evaporated milk, 8\.7 % fat/ }),
  ).toBeVisible();
  await expect(page).toHaveURL(/finish=evaporated-milk&fat=8\.7/);
  await expect(cups.first()).toBeVisible();
  expect(Math.abs((await grams(page)) - before)).toBeLessThan(20);
  await page.getByRole('button', { name: /^Finished with/ }).click();
  await sheet.getByRole('radio', { name: /^as the recipe has it/ }).check({ force: true });
  await page.keyboard.press('Escape');
  await expect(page).not.toHaveURL(/finish=/);
  expect(await grams(page)).toBe(before);
});

test('a batch without gluten and milk: what stands in is said, the dose follows, and what cannot be stops it', async ({
  page,
}) => {
  await open(page, '/plan?recipe=smoked-parsnip-veloute&litres=8&pot=middle-28&burner=front-right');
  await page.getByRole('button', { name: 'Guests: for all' }).click();
  const sheet = page.getByRole('dialog', { name: 'For whom' });
  await sheet.getByLabel('no gluten').check();
  await sheet.getByLabel('no milk').check();
  await expect(sheet.getByText('rice flour for plain flour')).toBeVisible();
  await expect(sheet.getByText('rapeseed oil for butter')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  await expect(page.getByRole('button', { name: 'Guests: no gluten and no milk' })).toBeVisible();
  await expect(dose(page)).toContainText('Rice flour');
  // The address follows once the order rests: with both of them, not with the first alone.
  await expect(page).toHaveURL(/without=(?=[^&]*gluten)(?=[^&]*milk)/);
  await page.reload();
  await live(page);
  await expect(dose(page)).toContainText('Rice flour');
  await expect(page.getByRole('listitem').filter({ hasText: 'Coconut milk' })).toBeVisible();

  await open(page, '/plan?recipe=cockle-and-leek-chowder&litres=8&without=vegetarian');
  await expect(
    page.getByText(/Not vegetarian: cockle liquor|Not vegetarian: cockle meat/).first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Not vegetarian' })).toBeVisible();
  await expect(page).toHaveURL(/\/plan/);
});

test('Compare has two sides: a finish is picked by what it costs and asks of the flour, and taken into the plan', async ({
  page,
}) => {
  await open(page, '/compare?recipe=cockle-and-leek-chowder&litres=12&pot=tall-steel-36&burner=front-left');
  await page.getByRole('button', { name: 'Finish', exact: true }).click();
  const table = page.getByRole('table');
  await expect(table.getByRole('button', { name: /^Oat drink/ })).toBeVisible({ timeout: 40_000 });
  const sour = table.getByRole('row').filter({ hasText: 'Sour cream' });
  await expect(sour).toContainText('never');
  await expect(sour).toContainText(/g \(−\d+ g\)/);
  await sour.getByRole('button').click();
  await expect(page.getByText('Finished with sour cream')).toBeVisible();
  await page.getByRole('link', { name: 'Take it into the plan' }).click();
  await expect(page).toHaveURL(/\/plan\?.*finish=sour-cream&fat=/);
  await page.getByRole('button', { name: 'Steps', exact: true }).click();
  await expect(page.getByText('Temper in the sour cream')).toBeVisible();
});

test('size by portions and US units, target by a test, remedies in one tap, what changes with the size', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await open(page, '/plan?recipe=cockle-and-leek-chowder');
  await settled(page, '/plan');
  await page.getByRole('button', { name: /How much/ }).click();
  await page.getByRole('button', { name: 'Portions' }).click();
  await page.getByLabel('Portions', { exact: true }).fill('60');
  await page.getByLabel('Ladle, mL').fill('250');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'How much: 15 L' })).toBeVisible();
  await page.getByRole('button', { name: /How much/ }).click();
  await page.getByRole('button', { name: 'Portions' }).click();
  await page.getByLabel('Portions', { exact: true }).fill('some');
  await expect(page.getByRole('alert').filter({ hasText: 'Portions' })).toContainText(
    '“some” is not a whole number from 1 to 5000',
  );
  await page.getByRole('button', { name: 'US gal' }).click();
  await page.getByLabel('How much at the pass').fill('2');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'How much: 7.6 L' })).toBeVisible();

  const ladder = page.getByRole('slider', { name: /Target consistency/ });
  await page.getByRole('button', { name: 'By a test' }).click();
  await page.getByLabel('The test').selectOption('cup-5');
  await page.getByLabel('Should read, s').fill('40');
  await page.getByRole('button', { name: 'Aim for this' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(ladder).not.toHaveAttribute('aria-valuenow', '153');
  await page.getByRole('button', { name: 'By a test' }).click();
  await expect
    .poll(async () => Number(await page.getByLabel('Should read, s').inputValue()))
    .toBeGreaterThan(0);
  await page.keyboard.press('Escape');

  await open(page, '/plan?recipe=cockle-and-leek-chowder&litres=30&pot=tall-steel-36');
  await page.getByRole('button', { name: /^Take Deep 42/ }).click();
  await expect(page.getByRole('button', { name: 'Pot: Deep 42' })).toBeVisible();
  await page.getByRole('button', { name: 'Sizes' }).click();
  await expect(page.getByRole('dialog').getByRole('columnheader', { name: '60 L' })).toBeVisible();
  await expect(page.getByRole('dialog').getByText('Water lost of what is made')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Clock', exact: true }).click();
  await expect(page.locator('figure svg').first()).toBeVisible();
  await page.getByRole('button', { name: 'Steps', exact: true }).click();
  await expect(page.getByText('On the pass', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Shop', exact: true }).click();
  await expect(page.getByText(/£[\d.]+ in all/)).toBeVisible();
  await page.getByRole('button', { name: 'Weigh out' }).click();
  await page.getByLabel('Weigh-out laid out').selectOption('station');
  await expect(page.getByRole('heading', { name: 'Vegetables' })).toBeVisible();

  await page.getByRole('button', { name: /^Chance of/ }).click();
  await expect(page.getByRole('dialog').getByText(/simulated pots/)).toBeVisible({ timeout: 30_000 });
  await expect(
    page
      .getByRole('dialog')
      .getByText(/→ \d+ %/)
      .first(),
  ).toBeVisible();
});

const kitchenPart = async (page: Page, part: string) => {
  await open(page, `/kitchen?part=${part}`);
  await expect(page.getByRole('heading', { level: 1, name: 'Kitchen' })).toBeVisible();
};

test('the kitchen is changed and every plan counts with it; nonsense is marked, focused and kept', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await kitchenPart(page, 'house');
  await page.getByLabel('Altitude, m').fill('very high');
  await page.getByLabel('Thin', { exact: true }).fill('95');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Not saved' })).toBeVisible();
  await expect(page.getByLabel('Altitude, m')).toBeFocused();
  await expect(page.getByLabel('Altitude, m')).toHaveValue('very high');
  await expect(page.getByLabel('Altitude, m')).toHaveAttribute('aria-invalid', 'true');
  await expect(page.getByText('each band’s limit is above the one before')).toBeVisible();
  await page.getByLabel('Altitude, m').fill('1600');
  await page.getByLabel('Thin', { exact: true }).fill('25');
  await page.getByLabel('Degrees in').selectOption('F');
  await page.getByLabel('egg', { exact: true }).check();
  await page.getByLabel('Why').fill('up in the hills for a week');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/^Saved\. Every plan/)).toBeVisible();

  await open(page, '/plan?recipe=mussel-veloute-with-liaison&litres=8');
  await expect(page.getByText('In the bowl, 149 °F')).toBeVisible();
  await page.getByRole('button', { name: /cautions?$/ }).click();
  await expect(page.getByRole('dialog').getByText(/Contains .*EGG/)).toBeVisible();

  // What was changed and why stands in the revisions, and the one before is one tap away.
  await kitchenPart(page, 'house');
  await page.getByRole('link', { name: /^Revision/ }).click();
  const newest = page.getByRole('list').filter({ hasText: 'Revision' }).getByRole('listitem').first();
  await expect(newest).toContainText('up in the hills for a week');
  await expect(newest.getByText('Altitude 1600 m')).toBeVisible();
  await expect(newest.getByText('Altitude 5 m')).toBeVisible();
  await page
    .getByRole('button', { name: /^Make revision/ })
    .first()
    .click();
  await expect(page).toHaveURL(/\/kitchen$/);
  await kitchenPart(page, 'house');
  await expect(page.getByLabel('Altitude, m')).toHaveValue('5');
  await expect(page.getByLabel('Degrees in')).toHaveValue('C');
  await expect(page.getByLabel('egg', { exact: true })).not.toBeChecked();

  await page.getByRole('button', { name: 'Products' }).click();
  await page.getByRole('button', { name: 'Product', exact: true }).click();
  await page.getByRole('combobox', { name: 'Stands for' }).fill('double cream');
  await page.getByRole('option', { name: 'Thick cream, 40 %' }).click();
  await page.getByLabel('Fat, %').fill('48');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/^Saved\. Every plan/)).toBeVisible();
  const kept = await db.query(`
    SELECT p -> 'fatPercent' AS fat
    FROM (SELECT body FROM kitchen_version ORDER BY revision DESC LIMIT 1) k, jsonb_array_elements(k.body -> 'products') p
    WHERE p ->> 'ingredient' = 'thick-cream'`);
  expect(kept.rows).toEqual([{ fat: 48 }]);
});

test('dairy that could split is put in last by one tap, said in the sentence, and taken back there', async ({
  page,
}) => {
  await open(page, '/plan?recipe=smoked-parsnip-veloute&litres=4&pot=tall-steel-36&burner=front-left');
  await page.getByRole('button', { name: /cautions?$/ }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByText(/The dairy can split in step \d/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Put the dairy in last, under the simmer' }).click();
  await expect(page).toHaveURL(/dairy=last/);
  await page.getByRole('button', { name: 'Steps' }).click();
  await expect(page.getByText(/ to 80 °C$/)).toBeVisible();
  await page.getByRole('button', { name: /cautions?$/ }).click();
  await expect(page.getByRole('dialog').getByText(/The dairy can split/)).toBeHidden();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Dairy/ }).click();
  await page.getByRole('dialog').getByText('as the recipe has it', { exact: true }).click();
  await expect(page).not.toHaveURL(/dairy=/);
  await expect(page.getByText(/ to 80 °C$/)).toBeHidden();
});

test('a water test sets the pot’s loss and the burner’s power, by stop-watch and by hand', async ({
  page,
}) => {
  await kitchenPart(page, 'pots');
  await page.getByRole('link', { name: 'Water test' }).nth(1).click();
  await expect(page.getByLabel('Pot', { exact: true })).toHaveValue('middle-28');
  await page.getByLabel('Water, L').fill('6');
  await page.getByRole('button', { name: 'Start the watch' }).first().click();
  await expect(page.getByRole('timer')).toBeVisible();
  await page.reload();
  await live(page);
  await expect(page.getByRole('timer')).toBeVisible();
  await expect(page.getByLabel('Water, L')).toHaveValue('6');
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await page.getByLabel('Took, min').fill('14');
  await page.getByLabel('First, g, pot and all').fill('8800');
  await page.getByLabel('For, min').fill('30');
  await page.getByLabel('Then, g, pot and all').fill('8890');
  await page.getByRole('button', { name: 'Work it out and keep it' }).click();
  await expect(page.getByLabel('Then, g, pot and all')).toBeFocused();
  await expect(page.getByText(/the second reading is less than the first/)).toBeVisible();
  await page.getByLabel('Then, g, pot and all').fill('8300');
  await page.getByRole('button', { name: 'Work it out and keep it' }).click();
  await expect(page.getByText(/× the model’s water loss/)).toBeVisible();
  await page.getByRole('link', { name: 'Done' }).click();
  await expect(page.getByText(/Water test: loses/)).toBeVisible();
});

test('the whole kitchen goes out as a file and comes back in, said before it is done', async ({ page }) => {
  test.setTimeout(240_000);
  await kitchenPart(page, 'archive');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save the archive' }).click(),
  ]);
  const path = await download.path();
  const archive = JSON.parse(readFileSync(path, 'utf8'));
  expect(archive.format).toBe('panache.archive/1');
  expect(archive.recipes.length).toBeGreaterThanOrEqual(10);
  const extra = structuredClone(archive.recipes[0]);
  extra.id = 'from-the-annexe';
  for (const v of extra.versions) v.body.id = extra.id;
  archive.recipes.push(extra);
  await page.getByLabel('Choose a file').setInputFiles(file('archive.json', JSON.stringify(archive)));
  await expect(page.getByText('add 1 recipe')).toBeVisible();
  const before = await count('recipe');
  await page.getByRole('button', { name: 'Do that' }).click();
  await expect(page.getByText(/^Done: 1 recipe/)).toBeVisible();
  expect(await count('recipe')).toBe(before + 1);
  // Of a kitchen of years: how far it is, and stopped on the way.
  const years = structuredClone(archive);
  years.batches = Array.from({ length: 400 }, () => ({
    ...archive.batches[0],
    id: randomUUID(),
    events: archive.batches[0].events.map((e: object) => ({ ...e, id: randomUUID() })),
  }));
  const batches = await count('batch');
  await page.getByLabel('Choose a file').setInputFiles(file('years.json', JSON.stringify(years)));
  await expect(page.getByRole('progressbar', { name: 'Share of the file read' })).toBeVisible();
  await expect(page.getByText('add 400 batches')).toBeVisible({ timeout: 120_000 });
  await page.getByRole('button', { name: 'Do that' }).click();
  const bar = page.getByRole('progressbar', { name: 'Share of the file read' });
  await expect.poll(async () => Number(await bar.getAttribute('aria-valuenow'))).toBeGreaterThan(0);
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(bar).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Do that' })).toBeEnabled();
  await page.waitForTimeout(1500);
  expect(await count('batch')).toBe(batches);
  archive.recipes[0].versions[0].version = 7;
  await page
    .getByLabel('Choose a file')
    .setInputFiles(file('archive.json', JSON.stringify(archive, null, 1)));
  await expect(page.getByRole('alert').filter({ hasText: 'nothing was changed' })).toContainText(
    /line \d+, recipes\[0\]\.versions\[0\]\.version/,
  );
});

test('Compare, Recipes, the editor and Kitchen work by keyboard alone', async ({ page }) => {
  await open(page, '/plan');
  await settled(page, '/plan');
  await page.getByRole('slider', { name: /Target/ }).focus();
  for (const [key, path] of [
    ['c', /\/compare/],
    ['r', /\/recipes$/],
    ['k', /\/kitchen/],
  ] as const) {
    await page.locator('body').press('g');
    await page.keyboard.press(key);
    await expect(page).toHaveURL(path);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeAttached();
  }
  await open(page, '/recipes/cockle-and-leek-chowder');
  await settled(page, '/recipes/cockle');
  const sweat = page.getByRole('button', { name: /^1 Sweat/ });
  await sweat.focus();
  await page.keyboard.press('Enter');
  const what = page.getByRole('combobox', { name: 'Ingredient 2' });
  await what.focus();
  await what.fill('olive oil');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(what).toHaveValue('Olive oil');
  await page.keyboard.press('Tab');
  await expect(page.getByLabel('Amount of olive oil')).toBeFocused();
});

test('a new soup begins from how it is thickened, and can be saved as it stands once it has a name', async ({
  page,
}) => {
  await open(page, '/recipes');
  await page.getByRole('link', { name: 'New', exact: true }).click();
  await expect(page.getByRole('heading', { name: /How is it thickened/ })).toBeVisible();
  await page.getByRole('link', { name: /^Rice, strained/ }).click();
  await expect(page).toHaveURL(/\/recipes\/new\?school=rice/);
  await live(page);
  // Nothing is red before anything was typed, and the soup is simulated at once.
  await expect(page.getByText('After each step')).toBeVisible();
  await expect(page.getByRole('main').getByRole('alert')).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Move step \d+, Blend/ })).toBeVisible();
  await page.getByLabel('Name').fill('Langoustine bisque of the quay');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page).toHaveURL(/\/recipes\/langoustine-bisque-of-the-quay$/);
});
