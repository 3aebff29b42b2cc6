import { type Browser, expect, type Page, test } from '@playwright/test';
import { prepare, serve } from '../cli/app.mjs';
import { emptyDatabase, live, watch } from './kit';
import { looksRight } from './looks';

/** Three months of the canteen, with what was learned from them: a demo of its own, as everybody else starts it. */
const NAME = 'panache_test_log';

/** What is told off for the other tests, on while `work` goes on. */
async function asEverybodyHasIt<T>(work: () => Promise<T>): Promise<T> {
  const { PANACHE_HISTORY: history, PANACHE_LEARN: learn } = process.env;
  process.env.PANACHE_HISTORY = 'on';
  process.env.PANACHE_LEARN = 'on';
  try {
    return await work();
  } finally {
    process.env.PANACHE_HISTORY = history;
    process.env.PANACHE_LEARN = learn;
  }
}

/** The canteen, begun once for all of this file: three months take a while to come in. */
let address: string;
let end: () => Promise<void>;
test.beforeAll(async () => {
  test.setTimeout(240_000);
  const { url: databaseUrl, drop } = await emptyDatabase(NAME);
  const app = await asEverybodyHasIt(async () => {
    const { url } = await prepare(databaseUrl);
    return serve({
      mode: 'start',
      from: 3660,
      databaseUrl: url,
      env: { DEVICES_URL: '', PANACHE_CLOCK: 'own' },
    });
  });
  address = app.address;
  end = async () => {
    await app.stop();
    await drop();
  };
});
test.afterAll(() => end());

async function inTheCanteen(browser: Browser, see: (page: Page) => Promise<void>): Promise<void> {
  const context = await browser.newContext({ baseURL: address, locale: 'en-GB' });
  try {
    const page = await context.newPage();
    watch(page);
    await see(page);
  } finally {
    await context.close();
  }
}

test('the Log finds the weak flour and the burner that lost a jet, tells how well was foreseen, and each number can be set', async ({
  browser,
}) => {
  test.setTimeout(300_000);
  await inTheCanteen(browser, async (page) => {
    await page.goto('/log');
    await live(page);
    await expect(page.getByText(/^The last 50 batches/)).toBeVisible();
    await expect(page.getByText(/Of brackets meant to hold 8 in 10, \d+ of \d+ did/)).toBeVisible();
    // Planted: both are found, and where to look is said.
    await expect(
      page.getByRole('link', { name: /^Front left: since .* 30 % weaker than it was.*jet/ }),
    ).toBeVisible();
    await expect(
      page.getByRole('link', { name: /^Plain flour: since .* stronger than it was.*sack/ }),
    ).toBeVisible();
    await looksRight(page, '/log');

    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto('/log/knows');
    await live(page);
    const burner = page.getByRole('button', { name: /^Front left/ });
    await expect(burner).toContainText(/3[2-6] % weaker than its label/);
    await looksRight(page, '/log/knows');
    await page.setViewportSize({ width: 1280, height: 800 });
    await burner.click();
    const sheet = page.getByRole('dialog', { name: 'Front left' });
    await expect(sheet.getByRole('button', { name: 'Leave it out' }).first()).toBeVisible();
    await sheet.getByLabel('Set it by hand, % of the book').fill('90');
    await sheet.getByRole('button', { name: 'Set it', exact: true }).click();
    await expect(sheet.getByText(', set by hand')).toBeVisible();
    // Left out, it is gone through again in a thread of its own; and can be counted again.
    await sheet.getByRole('button', { name: 'Leave it out' }).first().click();
    await expect(sheet.getByRole('button', { name: 'Count it again' })).toBeVisible({ timeout: 40_000 });
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: /^Front left/ })).toContainText('set by hand');

    // Every plan counts with it.
    await page.goto('/plan?recipe=cockle-and-leek-chowder&litres=12&pot=tall-steel-36&burner=front-left');
    await live(page);
    await expect(page.getByText(/By your own readings: .*plain flour is \d+ % weaker/)).toBeVisible({
      timeout: 40_000,
    });

    for (const path of ['/log/predicts', '/log/week', '/log/given']) {
      await page.setViewportSize({ width: 1280, height: 800 });
      await page.goto(path);
      await live(page);
      await looksRight(page, path);
    }
  });
});

test('a batch is found by a word, opened on its clock, set beside another, and kept as a version of its recipe', async ({
  browser,
}) => {
  test.setTimeout(300_000);
  await inTheCanteen(browser, async (page) => {
    await page.goto('/log');
    await live(page);
    await page.getByRole('searchbox').fill('slurry');
    const rows = page.getByRole('main').getByRole('listitem').filter({ hasText: 'Cornstarch slurry' });
    await expect(rows.first()).toBeVisible();
    // All that is shown has it in it.
    await expect(
      page.getByRole('main').getByRole('listitem').filter({ hasText: 'no correction' }),
    ).toHaveCount(0);
    await rows.first().getByRole('button').click();
    await page.getByRole('link', { name: /^Open / }).click();
    await expect(page.getByRole('heading', { name: 'What differed' })).toBeVisible({ timeout: 40_000 });
    await expect(page.getByText(/Put right: Cornstarch slurry/)).toBeVisible();
    await expect(page.getByRole('figure')).toHaveCount(3);
    const [, , id] = new URL(page.url()).pathname.split('/');
    await looksRight(page, '/log/[id]');

    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto('/log');
    await live(page);
    await page.getByRole('main').getByRole('listitem').nth(6).getByRole('button').click();
    await page.getByRole('button', { name: 'Compare with …' }).click();
    await page.getByRole('main').getByRole('listitem').nth(7).getByRole('button').click();
    await page.getByRole('link', { name: 'Side by side' }).click();
    await expect(page.getByRole('article')).toHaveCount(2);
    await expect(page.getByRole('figure')).toHaveCount(6, { timeout: 30_000 });

    await page.goto(`/log/${id}`);
    await page.getByRole('button', { name: /^Keep it as a version/ }).click();
    await page.waitForURL(/\/versions$/);
    await expect(page.getByText(/as it was cooked on/).first()).toBeVisible();
  });
});

test('a notebook is read with a review, its wrong lines told, and what is right of it taken in', async ({
  browser,
}) => {
  test.setTimeout(300_000);
  await inTheCanteen(browser, async (page) => {
    await page.goto('/log');
    await live(page);
    await page.getByRole('button', { name: 'From a notebook' }).click();
    const sheet = page.getByRole('dialog', { name: 'Batches from a notebook' });
    await sheet
      .getByLabel('or paste it here')
      .fill(
        'Day;Soup;Litres;Weather\n14.3.2025;Grandmother’s broth;12;rain\n30.2.2025;Broth;4;\n15 March 2025;Grandmother’s broth;3 gal;\n',
      );
    await expect(
      sheet.getByText(/2 batches read, 0 of soups this house has; one line is not right/),
    ).toBeVisible();
    await expect(sheet.getByText(/Columns left alone: Weather/)).toBeVisible();
    await expect(sheet.getByText(/Line 3, Day: “30\.2\.2025”/)).toBeVisible();
    await sheet.getByRole('button', { name: /^Take in the 2 that are right/ }).click();
    await expect(sheet.getByText('2 batches stand in the log, 0 of them teach.')).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('searchbox').fill('grandmother');
    await expect(
      page.getByRole('main').getByRole('listitem').filter({ hasText: 'from the notebook' }),
    ).toHaveCount(2);
  });
});
