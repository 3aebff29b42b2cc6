import { expect, type Page, test } from '@playwright/test';
import { extractText, getDocumentProxy } from 'unpdf';
import { db, open, settled, still, VIEWS, watch } from './kit';
import { begin, done } from './stove';

/** In a kitchen that reads gallons, pounds and Fahrenheit, nothing on a screen is in litres, grams or Celsius. */

type Show = { volume: 'L' | 'gal'; temperature: 'C' | 'F' };

async function reads(page: Page, show: Show): Promise<void> {
  const { kitchen, revision } = await (await page.request.get('/api/kitchen')).json();
  const answer = await page.request.put('/api/kitchen', {
    data: { kitchen: { ...kitchen, show }, revision },
  });
  expect(answer.status()).toBe(200);
}

/** A figure with a metric unit, or the unit alone. */
const METRIC = /(^|[\s(,:;·~≈–—])(?:[\d][\d.,–−\u00a0 ]*\s?)?(°C|L|mL|g|kg)(?=$|[\s).,;:·/–])/;
/** US figures with their metric ones in brackets behind them: said, and beside its twin. */
const TWINS = /((?:fl oz|oz|lb|qt|gal|°F))\s*\([^)]*\)/g;

/**
 * What is read on the page in a metric unit. Left out: what the cook wrote (`data-own`), metric figures that stand
 * in brackets after US ones, and the choice of the unit itself.
 */
const metricOn = (page: Page): Promise<readonly string[]> =>
  page.evaluate(
    ([metric, twins]) => {
      const METRIC = new RegExp(metric);
      const without = (text: string) => text.replace(new RegExp(twins, 'g'), '$1');
      const found: string[] = [];
      const blocks = new Map<Element, string>();
      const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      while (walk.nextNode()) {
        const of = walk.currentNode.parentElement;
        if (!of || of.closest('script, style, noscript, [data-own]')) continue;
        const style = getComputedStyle(of);
        if (style.display === 'none' || style.visibility === 'hidden') continue;
        const block =
          of.closest('p, li, td, th, label, button, h1, h2, h3, dt, dd, option, text, legend, a, div') ?? of;
        blocks.set(block, (blocks.get(block) ?? '') + walk.currentNode.textContent);
      }
      for (const text of blocks.values())
        if (METRIC.test(without(text))) found.push(text.trim().replace(/\s+/g, ' ').slice(0, 120));
      for (const e of document.querySelectorAll('[aria-label], [placeholder], [title]'))
        for (const name of ['aria-label', 'placeholder', 'title']) {
          const text = e.getAttribute(name);
          if (text && !e.closest('[data-own]') && METRIC.test(without(text)))
            found.push(`${name}: ${text.slice(0, 120)}`);
        }
      return [...new Set(found)];
    },
    [METRIC.source, TWINS.source] as const,
  );

/**
 * The cook’s own: what a pan of the demo kitchen is called and what its lead wrote down, and the choice of the
 * unit itself; and so little weight on
 * a spoon that only grams tell it, with the ounces beside.
 */
const OWN = [/Tub 2 L/, /three and a half hours over 21 °C/, /^°C$/, /^L$/, /g \(0\.0\d oz\)/];
const foreign = async (page: Page): Promise<readonly string[]> =>
  (await metricOn(page)).filter((t) => !OWN.some((own) => own.test(t)));

test.beforeEach(({ page }) => watch(page));
test.afterEach(({ page }) => reads(page, { volume: 'L', temperature: 'C' }));

test('what is metric on a page is found', async ({ page }) => {
  await page.setContent(
    '<p>12 L of soup</p><p>at <b>74</b> °C</p><button aria-label="Empty, kg">x</button><p>2 qt (1.9 L)</p><p data-own>4 g</p><p>Lid</p>',
  );
  expect(await metricOn(page)).toEqual(['12 L of soup', 'at 74 °C', 'aria-label: Empty, kg']);
});

test('every view reads gallons, pounds and degrees Fahrenheit where the kitchen does', async ({ page }) => {
  test.setTimeout(240_000);
  await reads(page, { volume: 'gal', temperature: 'F' });
  const found: Record<string, readonly string[]> = {};
  for (const path of VIEWS.filter((v) => !v.includes('/versions'))) {
    await page.goto(path);
    await settled(page, path);
    const here = await foreign(page);
    if (here.length > 0) found[path] = here;
  }
  expect(found).toEqual({});
});

test('and so do the sheets of a pot: a temperature, a level, a weight, what is put in, its steps, and the PDFs’ page', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await reads(page, { volume: 'gal', temperature: 'F' });
  const id = await begin(page, 'recipe=smoked-parsnip-veloute&litres=8&pot=middle-28&burner=front-right');
  await done(page);
  const found: Record<string, readonly string[]> = {};
  for (const sheet of ['Temperature', 'Level', 'Weight', 'Put in', 'All steps'] as const) {
    await page.getByRole('button', { name: sheet, exact: true }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    const here = await foreign(page);
    if (here.length > 0) found[sheet] = here;
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
  }
  for (const path of [`/stove/${id}`, `/check?batch=${id}`, `/fix?batch=${id}`, `/record/${id}`]) {
    const answer = await page.goto(path);
    if (answer?.status() !== 200) continue;
    await still(page);
    const here = await foreign(page);
    if (here.length > 0) found[path] = here;
  }
  expect(found).toEqual({});
});

const CHOWDER = 'recipe=cockle-and-leek-chowder&litres=12&pot=tall-steel-36&burner=front-left';

test('and so does what is printed and taken away for people: a plan, a record, labels, by the gallon in PDF and CSV', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await reads(page, { volume: 'gal', temperature: 'F' });
  const { lots } = await (await page.request.get('/api/keep')).json();
  const day = (ago: number) => new Date(Date.now() - ago * 86_400_000).toISOString().slice(0, 10);
  const days = `from=${day(3)}&to=${day(0)}`;
  const read: Record<string, string> = {};
  for (const path of [
    `/api/plan/export?${CHOWDER}&as=pdf`,
    `/api/plan/export?${CHOWDER}&as=pdf&paper=LETTER`,
    `/api/record?${days}&as=pdf`,
    `/api/keep/labels?lot=${lots[0].id}&size=roll 62&count=1`,
    `/api/plan/export?${CHOWDER}&as=csv`,
    `/api/record?${days}&as=csv`,
  ]) {
    const answer = await page.request.get(path);
    expect(answer.status(), path).toBe(200);
    const body = await answer.body();
    read[path] = path.endsWith('csv')
      ? body.toString()
      : (await extractText(await getDocumentProxy(new Uint8Array(body)), { mergePages: true })).text;
  }
  for (const [path, text] of Object.entries(read)) {
    // Something is in it, in the units asked for.
    expect(text, path).toMatch(/°F|\bqt\b|\bgal\b|\blb\b|\boz\b/);
    // A table for other programs keeps its metric columns, each named, beside the one that is read.
    const found = text
      .replace(/^.*,g,mL,weighed,.*$/m, '')
      .split(/\n|,/)
      .filter((line) => METRIC.test(line.replace(TWINS, '$1')) && !OWN.some((own) => own.test(line)));
    expect.soft(found, path).toEqual([]);
  }
});

test('what is typed in Fahrenheit and quarts is kept in Celsius and millilitres', async ({ page }) => {
  await reads(page, { volume: 'gal', temperature: 'F' });
  await open(page, '/keep?face=shelf');
  await page.getByRole('button', { name: /^Store something/ }).click();
  const sheet = page.getByRole('dialog', { name: 'Store something' });
  await sheet.getByLabel('Its name').fill('Quart stock');
  await sheet.getByLabel('How much, qt').fill('4');
  await sheet.getByLabel('How many').fill('3');
  await sheet.getByLabel(/°F/).fill('38');
  await sheet.getByRole('button', { name: 'Store it' }).click();
  await expect(sheet).toBeHidden();
  const put = async () =>
    (await db.query("SELECT body FROM keep_event WHERE body->>'name' = 'Quart stock'")).rows[0]?.body;
  await expect.poll(put).toBeTruthy();
  expect((await put()).ml).toBeCloseTo(3785.4, 0);
  expect((await put()).celsius).toBeCloseTo(3.33, 1);
});
