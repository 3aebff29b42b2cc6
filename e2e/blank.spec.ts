import { type Browser, expect, type Page, test } from '@playwright/test';
import { prepare, serve } from '../cli/app.mjs';
import { emptyDatabase, temperature, VIEWS, watch } from './kit';
import { done, heading, left, started } from './stove';

/** Nothing of the demo: one pot, one burner and no recipe, as a stranger’s kitchen begins. */
const NAME = 'panache_test_blank';
const MINUTE = 60;

async function blankKitchen() {
  const { url: databaseUrl, drop } = await emptyDatabase(NAME);
  const demo = process.env.PANACHE_DEMO;
  process.env.PANACHE_DEMO = 'off';
  const { url } = await prepare(databaseUrl).finally(() => {
    if (demo === undefined) delete process.env.PANACHE_DEMO;
    else process.env.PANACHE_DEMO = demo;
  });
  const app = await serve({
    mode: 'start',
    from: 3560,
    databaseUrl: url,
    env: { DEVICES_URL: '', PANACHE_CLOCK: 'own' },
  });
  return {
    app,
    end: async () => {
      await app.stop();
      await drop();
    },
  };
}

/** A page of a kitchen of its own, which goes when it was seen. */
async function inBlankKitchen(browser: Browser, see: (page: Page) => Promise<void>): Promise<void> {
  const { app, end } = await blankKitchen();
  const context = await browser.newContext({ baseURL: app.address, locale: 'en-GB' });
  try {
    const page = await context.newPage();
    watch(page);
    await see(page);
  } finally {
    await context.close();
    await end();
  }
}

/** Opens a view and waits till it is live: no pot is on whose clock would say so. */
const open = async (page: Page, path: string): Promise<number | undefined> => {
  const answer = await page.goto(path, { waitUntil: 'load' });
  await page.waitForFunction(() =>
    [...document.querySelectorAll('main *')].some((e) =>
      Object.keys(e).some((k) => k.startsWith('__reactProps')),
    ),
  );
  return answer?.status();
};

test('a blank kitchen: every view opens, and a recipe of one’s own is written, planned, cooked, cooled and labelled', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  await inBlankKitchen(browser, async (page) => {
    await page.clock.install();
    // Nothing is there, and nothing breaks: whoever is lost is told what to do first.
    for (const path of VIEWS.filter((v) => !/cockle|id=/.test(v))) {
      expect([path, await open(page, path)]).toEqual([path, 200]);
      await expect(page.getByRole('heading', { name: 'This page cannot be shown now' })).toHaveCount(0);
    }
    for (const path of ['/recipes/cockle-and-leek-chowder', '/stove/6f0f6f0e-5d1c-4c0e-9a53-0d2f7c1b9a01'])
      expect((await page.goto(path))?.status()).toBe(404);
    await open(page, '/plan');
    await expect(heading(page)).toHaveText('No soup to plan yet');
    await page.getByRole('link', { name: 'Put in a recipe' }).click();
    await page.getByRole('link', { name: /^Roux, blended/ }).click();
    await page.getByLabel('Name', { exact: true }).first().fill('Leek velouté');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page).toHaveURL(/\/recipes\/leek-veloute$/);

    await page.getByRole('link', { name: 'Plan it' }).click();
    await expect(page.getByText(/^Chance of/)).toBeVisible({ timeout: 40_000 });
    await page.getByRole('button', { name: 'Start this batch' }).click();
    await started(page);
    await expect(page.getByRole('timer', { name: 'Time left in this step' })).toHaveText(/\d\d:\d\d/);
    const pass = (seconds: number) => page.clock.fastForward(seconds * 1000);
    for (let n = 0; n < 14 && !(await heading(page).innerText()).startsWith('On the pass'); n++) {
      await pass(await left(page));
      await done(page);
    }
    await page.getByRole('button', { name: /^Cool it/ }).click();
    await page.getByRole('link', { name: /^Choose how it is cooled/ }).click();

    // No ice, no blast: the ways there are, and readings by hand until it is cold.
    await temperature(page, '78');
    const ways = page.getByRole('list', { name: 'Ways to cool it from here' });
    await expect(ways.getByText(/Trying the kitchen/)).toHaveCount(0, { timeout: 40_000 });
    await ways.getByRole('button').first().click();
    for (const [minutes, celsius] of [
      [40, '40'],
      [50, '19.5'],
      [90, '9'],
      [70, '4'],
    ] as const) {
      await pass(minutes * MINUTE);
      await temperature(page, celsius);
    }
    await page.getByRole('button', { name: 'Cold: put it away' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'It is cold and put away' }).click();
    const shelf = page.getByRole('list', { name: 'The shelf, first to use first' });
    await expect(shelf).toContainText('Leek velouté');
    await expect(page.getByText(/^Use by \w+ \d+ \w+/)).toBeVisible();
    await page.getByRole('button', { name: 'Labels', exact: true }).click();
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('dialog').getByRole('button', { name: 'Make the PDF' }).click(),
    ]);
    expect(file.suggestedFilename()).toMatch(/\.pdf$/);
    await open(page, '/keep?face=record');
    // Whatever hour it is now, it was five hours on the page: by then it may be tomorrow.
    await page
      .getByLabel('From', { exact: true })
      .fill(new Date(Date.now() - 4 * 3_600_000).toISOString().slice(0, 10));
    const record = page.getByRole('table', { name: 'The record' });
    for (const says of ['Stored', '78.0 °C', '4.0 °C', 'Cold, to', 'One label printed'])
      await expect(record).toContainText(says);
    // Each stands at the minute it was read.
    const { lots } = await (await page.request.get('/api/keep')).json();
    const read = lots[0].events
      .filter((e: { body: { kind: string } }) => e.body.kind === 'temperature')
      .map((e: { at: string }) => Date.parse(e.at) / 60_000);
    expect(read.slice(1).map((at: number, n: number) => Math.round(at - read[n]))).toEqual([40, 50, 90, 70]);
    await expect(record.getByText('Nobody has said what was done.')).toHaveCount(0);
  });
});

test('the first minutes: a stranger’s kitchen comes to a right dose in fewer than 15 taps and 8 fields, each question to be skipped', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  await inBlankKitchen(browser, async (page) => {
    let taps = 0;
    let fields = 0;
    const tap = async (name: string | RegExp, role: 'button' | 'link' = 'button') => {
      taps++;
      await page.getByRole(role, { name }).first().click();
    };
    await open(page, '/plan');
    await tap(/^Begin/, 'link');
    await expect(heading(page)).toHaveText('Where is the kitchen?');
    await tap(/^European Union/);
    await tap(/^Smoked parsnip velouté \(sample\)/);
    // The dose is there before the last question, and follows what is answered.
    const dose = page.getByRole('status', { name: 'The dose' });
    await expect(dose).toContainText(/\d+\s?g/, { timeout: 40_000 });
    await tap(/^Pot 28/);
    await tap(/^Stockpot 36/);
    await tap('Next');
    await tap(/^Gas, 16 cm/);
    await tap('Next');
    await tap(/^On a scale/);
    await tap(/^About 600 m/);
    fields++;
    await page.getByLabel('Name of the kitchen').fill('Harbour Street');
    const promised = (await dose.innerText()).match(/^[\d\s]+/)?.[0].trim();
    await tap('Plan it');
    await expect(page).toHaveURL(/\/plan\?/, { timeout: 40_000 });
    await expect(page.getByText('(the dose)')).toBeVisible();
    expect([taps < 15, fields < 8]).toEqual([true, true]);
    await expect(page.getByRole('listitem').filter({ hasText: '(the dose)' })).toContainText(
      String(promised),
    );
    const { kitchen } = await (await page.request.get('/api/kitchen')).json();
    expect(kitchen).toMatchObject({
      name: 'Harbour Street',
      altitudeM: 600,
      currency: '€',
      keeping: { rules: 'eu' },
      vessels: [{ name: 'Pot 28' }, { name: 'Stockpot 36' }],
      burners: [{ kind: 'gas', powerW: 7000 }],
    });
    // The sample goes with one tap, and does not come back.
    await open(page, '/recipes');
    await page.getByRole('button', { name: /^Remove the sample Smoked parsnip/ }).click();
    await expect(page.getByText('No recipes yet: make a new one')).toBeVisible();
    await page.reload();
    await expect(page.getByText('No recipes yet: make a new one')).toBeVisible();
  });
});

test('the same soup typed from memory: fewer than 30 taps and fields to its dose', async ({ browser }) => {
  test.setTimeout(240_000);
  await inBlankKitchen(browser, async (page) => {
    let acts = 0;
    const tap = async (name: string | RegExp, role: 'button' | 'link' = 'button') => {
      acts++;
      await page.getByRole(role, { name }).first().click();
    };
    await open(page, '/recipes/import');
    acts++;
    await page
      .getByLabel('Or type or paste it')
      .fill(
        'Sweat 2 onions in 60 g butter for ten minutes, stir in 5 tbsp flour and cook 2 min, pour in 2 L chicken stock slowly and simmer 20 min. Blend, add 200 ml cream, salt.',
      );
    await tap('Read it');
    await expect(heading(page)).toContainText('Look at each line', { timeout: 30_000 });
    for (const tick of await page.getByRole('checkbox').all()) {
      acts++;
      await tick.uncheck();
    }
    await tap('All are right');
    await tap('Make the recipe');
    await expect(page.getByText('After each step')).toBeVisible({ timeout: 40_000 });
    await tap(/^Save$/);
    await tap('Plan it', 'link');
    // Every amount of it is given: the flour and the stock are what may move.
    await expect(page.getByText(/^Written with .*plain flour.*for this pot it has to be/)).toBeVisible({
      timeout: 40_000,
    });
    await expect(page.getByRole('listitem').filter({ hasText: '(the dose)' })).toContainText('Plain flour');
    expect(acts).toBeLessThan(30);
    await tap('Cook it as written');
    await expect(page.getByText('(the dose)')).toHaveCount(0);
    await expect(page.getByText(/^As written: .*In this pot that comes to/)).toBeVisible();
    await tap('Work out the dose');
    await expect(page.getByText('(the dose)')).toBeVisible();
    await tap(/^Recipe$/, 'link');
    await expect(page).toHaveURL(/\/recipes\/onion-soup/);
    await tap('Back to the plan', 'link');
    await expect(page).toHaveURL(/\/plan\?.*onion-soup/);
  });
});
