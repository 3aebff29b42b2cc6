import { expect, type Page, test } from '@playwright/test';
import { FAULTS } from '../src/core/adjust/faults';
import { term } from '../src/core/message/term';
import { wordsFor } from '../src/core/text/inWords';
import { METRIC } from '../src/core/units/shown/show';
import { app as here } from './app';
import { still, VIEWS, watch } from './kit';
import { begin, done } from './stove';

test.describe.configure({ mode: 'parallel' });
test.beforeEach(({ page }) => watch(page));

/** English made longer and accented: what is not said through a message stands out, and so does what is cut off. */
const say = wordsFor({ ...METRIC, language: 'en-XA' });

async function inPseudo(page: Page): Promise<void> {
  await page.context().addCookies([{ name: 'panache.language', value: 'en-XA', url: here.address }]);
}

/** Where a file says something in the kitchen’s own words. */
const OWN = new Set([
  'name',
  'school',
  'prep',
  'look',
  'note',
  'roles',
  'madeBy',
  'currency',
  'amount',
  'doing',
  'probe',
  'how',
]);

/** What the kitchen wrote itself: names, schools, how things are cut and looked at. */
async function ownWords(page: Page): Promise<readonly string[]> {
  const all: string[] = [
    'Stove',
    'Roux, blended',
    // What the demo’s Lead wrote into its record.
    'three and a half hours over 21 °C: next time in pans, in the blast',
    'Jacket potato talked over with the closer.',
    'Jacket potato soup',
  ];
  const walk = (value: unknown, own: boolean): void => {
    if (typeof value === 'string' && own) all.push(value);
    else if (Array.isArray(value)) for (const one of value) walk(one, own);
    else if (typeof value === 'object' && value !== null)
      for (const [key, one] of Object.entries(value)) walk(one, OWN.has(key));
  };
  const day = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
  for (const path of ['/api/kitchen', '/api/recipes', '/api/rail', '/api/keep', `/api/services?day=${day}`])
    walk(await (await page.request.get(path)).json(), false);
  const ago = new Date(Date.now() - 30 * 86_400_000).toISOString().slice(0, 10);
  // A line of the record says what was typed, also by the other tests, among its values.
  const { entries } = await (await page.request.get(`/api/record?from=${ago}&to=${day}`)).json();
  expect(entries.length).toBeGreaterThan(0);
  for (const { says, by, done } of entries) {
    const typed = Object.values(says.values ?? {}).filter((v) => typeof v === 'string');
    walk([...typed, by, done?.what], true);
  }
  return [...new Set(all.map((t) => t.trim()).filter((t) => /[A-Za-z]{3}/.test(t)))].sort(
    (x, y) => y.length - x.length,
  );
}

/** Units, marks and names that are the same in every language. */
const SAME =
  /[0-9a-f]{64}|mPa·s|min\b|cups?\b|tbsp|tsp|quarts?\b|\band\b|Probe \d|"@type.*|Panache|Food Code|FDA|CSV|JSON(-LD)?|PDF|Letter|schema\.org|DEVICES_URL|docs\/formats\.md|http\S*|Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec|panache\.\w+(\/\d)?/g;

/** Texts of the page with English in them. Nothing that stands in a message has three plain letters in a row. */
async function untranslated(page: Page, own: readonly string[]): Promise<readonly string[]> {
  const texts = await page.evaluate(() => {
    const found: string[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (walker.nextNode()) {
      const parent = walker.currentNode.parentElement;
      if (!parent || parent.closest('script, style, noscript, [translate=no], datalist')) continue;
      found.push(walker.currentNode.textContent ?? '');
    }
    for (const e of document.querySelectorAll('[aria-label], [title], [placeholder]'))
      for (const name of ['aria-label', 'title', 'placeholder']) found.push(e.getAttribute(name) ?? '');
    return found;
  });
  return [...new Set(texts)].filter((text) => {
    let left = text;
    for (const words of own) {
      if (left.includes(words)) left = left.replaceAll(words, '');
      const small = words.charAt(0).toLowerCase() + words.slice(1);
      if (left.includes(small)) left = left.replaceAll(small, '');
    }
    return /[A-Za-z]{3,}/.test(left.replace(SAME, ''));
  });
}

/** Words on buttons, headings and cells that do not fit where they stand. */
const cutOff = (page: Page) =>
  page.evaluate(() =>
    [
      ...document.querySelectorAll(
        'main button, main h1, main h2, main a, main th, main label, nav a, nav button',
      ),
    ]
      .filter(
        (e) =>
          !e.closest('.sr-only, .truncate, .overflow-auto, .overflow-x-auto') &&
          !e.querySelector('.truncate'),
      )
      .filter((e) => e.scrollWidth > e.clientWidth + 1 && getComputedStyle(e).display !== 'inline')
      .map((e) => `${e.tagName} ${e.textContent?.slice(0, 40)} ${e.scrollWidth} > ${e.clientWidth}`),
  );

const sideways = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);

test('in a longer, accented language nothing is left in English and nothing is cut off, wide and narrow', async ({
  page,
}) => {
  test.setTimeout(300_000);
  await inPseudo(page);
  const own = await ownWords(page);
  for (const path of VIEWS) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(path);
    await expect(page.getByRole('list', { name: say('Pots on the stove') })).toContainText(/\d\d:\d\d/);
    await expect(page.getByText(say('Simulating it …'))).toBeHidden({ timeout: 40_000 });
    await still(page);
    for (const [width, height] of [
      [1280, 800],
      [390, 844],
    ] as const) {
      await page.setViewportSize({ width, height });
      expect.soft(await untranslated(page, own), `${path} at ${width}`).toEqual([]);
      expect.soft(await cutOff(page), `${path} at ${width}`).toEqual([]);
      expect(await sideways(page), `${path} at ${width}`).toBeLessThanOrEqual(0);
    }
  }
});

test('and in the clock, the steps and the shopping of a plan that is warned of', async ({ page }) => {
  test.setTimeout(240_000);
  await inPseudo(page);
  const own = await ownWords(page);
  await page.goto('/plan?litres=30&pot=tall-steel-36');
  await expect(page.getByRole('list', { name: say('Pots on the stove') })).toContainText(/\d\d:\d\d/);
  expect(await sideways(page)).toBeLessThanOrEqual(0);
  for (const tab of ['Clock', 'Steps', 'Shop']) {
    await page.getByRole('button', { name: say(tab), exact: true }).click({ timeout: 40_000 });
    await still(page);
    expect.soft(await untranslated(page, own), tab).toEqual([]);
  }
});

test('and at the stove, in the check and in every correction too', async ({ page }) => {
  test.setTimeout(240_000);
  const id = await begin(page, 'recipe=smoked-parsnip-veloute&litres=8&pot=middle-28&burner=front-right');
  await done(page);
  const own = await ownWords(page);
  await inPseudo(page);
  const settles = () =>
    expect(page.getByRole('list', { name: say('Pots on the stove') })).toContainText(/\d\d:\d\d/);
  for (let step = 0; step < 6; step++) {
    await page.goto(`/stove/${id}`);
    await settles();
    await expect(page.getByRole('region', { name: say('At the pass, by the model') })).toBeVisible();
    expect.soft(await untranslated(page, own), `step ${step}`).toEqual([]);
    expect.soft(await cutOff(page), `step ${step}`).toEqual([]);
    await page
      .getByRole('button', { name: new RegExp(`^(${say('Done, next')}|${say('Done, to the pass')})`) })
      .click();
    await still(page, 300);
  }
  await page.goto(`/check?batch=${id}`);
  await settles();
  expect.soft(await untranslated(page, own)).toEqual([]);
  for (const fault of FAULTS) {
    await page.goto(`/fix?batch=${id}`);
    await settles();
    await page
      .getByRole('button', { name: say('{fault}', { fault: { opening: term(fault) } }), exact: true })
      .click();
    await still(page, fault.startsWith('too t') ? 2000 : 700);
    expect.soft(await untranslated(page, own), fault).toEqual([]);
    await page
      .getByRole('button', { name: say('{fault}', { fault: { opening: term(fault) } }), exact: true })
      .click();
  }
});

test('and on the sheets over the plan: the thickeners, the finishes and the guests', async ({ page }) => {
  test.setTimeout(240_000);
  await inPseudo(page);
  const own = await ownWords(page);
  await page.goto('/plan?recipe=cockle-and-leek-chowder&litres=12&pot=tall-steel-36&burner=front-left');
  await expect(page.getByRole('list', { name: say('Pots on the stove') })).toContainText(/\d\d:\d\d/);
  for (const [control, title] of [
    ['Thickened with', 'Thickened with'],
    ['Finished with', 'Finished with'],
    ['On', 'On which stock'],
    ['Guests', 'For whom'],
    ['Choose the garnish', 'For the bowl'],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^${say(control)}(\\s|:|$)`) }).click();
    const sheet = page.getByRole('dialog', { name: say(title) });
    await expect(sheet).toBeVisible();
    await expect(sheet.getByText(say('Simulating each …'))).toBeHidden({ timeout: 60_000 });
    await still(page, control === 'Guests' ? 300 : 1500);
    if (control === 'Guests') for (const tick of await sheet.getByRole('checkbox').all()) await tick.check();
    expect.soft(await untranslated(page, own), control).toEqual([]);
    await page.keyboard.press('Escape');
    await expect(sheet).toBeHidden();
  }
});

test('and what bad input is told: by the editor, the kitchen, a file and the lines of a recipe', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await inPseudo(page);
  // What was typed, and names of fields and kinds as they stand in a file, are the same in every language.
  const own = [
    ...(await ownWords(page)),
    ...['two shakes', 'oops', 'stardust', 'chopped tomatoes', 'olive oil', 'Soup', 'can '],
    ...['yieldLitres', 'recipeIngredient', 'school', 'name', 'band', 'home', 'steps'],
    ...['Thin, Light, Coating, Hearty, Stiff', '"format"', '"id"'],
  ];
  const settles = () =>
    expect(page.getByRole('list', { name: say('Pots on the stove') })).toContainText(/\d\d:\d\d/);

  await page.goto('/recipes/cockle-and-leek-chowder');
  await settles();
  await page
    .getByRole('button', { name: new RegExp(say('Sweat')) })
    .last()
    .click();
  await page
    .getByLabel(say('Minutes, min'))
    .or(page.getByLabel(say('{field}, {unit}', { field: { text: 'Minutes' }, unit: 'min' })))
    .first()
    .fill('two shakes');
  await still(page, 1500);
  expect.soft(await untranslated(page, own), 'the editor').toEqual([]);

  await page.goto('/kitchen');
  await settles();
  await page.locator('input[name="altitudeM"]').fill('99000');
  await page.getByRole('button', { name: say('Save'), exact: true }).click();
  await expect(page.locator('[aria-invalid=true]').first()).toBeVisible();
  expect.soft(await untranslated(page, own), 'the kitchen').toEqual([]);

  for (const [wrong, what] of [
    ['{"format":\n  oops', 'what is not JSON'],
    ['{"format": "panache.recipe/1", "id": "x", "yieldLitres": -2}', 'a recipe that is none'],
    ['{"@type": "Recipe"}', 'a recipe without a name'],
    [
      '{"@type": "Recipe", "name": "Soup", "recipeIngredient": ["1 (14 oz) can chopped tomatoes", "stardust", "2-3 tbsp olive oil"]}',
      'lines in doubt',
    ],
  ] as const) {
    await page.goto('/recipes/import');
    await settles();
    await page.getByRole('textbox').first().fill(wrong);
    await page.getByRole('button', { name: say('Read it'), exact: true }).click();
    await still(page, 1000);
    expect.soft(await untranslated(page, own), what).toEqual([]);
  }
});
