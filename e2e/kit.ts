import { expect, type Page } from '@playwright/test';
import pg from 'pg';
import { app as here } from './app';

export const db = new pg.Pool({ connectionString: here.databaseUrl, max: 2 });

/** Every view, and the heading or thing that says it has come. */
export const VIEWS = [
  '/service',
  '/plan',
  '/compare',
  '/stove',
  '/keep',
  '/keep?face=hot',
  '/keep?face=shelf',
  '/keep?face=record',
  '/log',
  '/log/knows',
  '/log/predicts',
  '/log/week',
  '/log/given',
  '/check',
  '/fix',
  '/check/funnel',
  '/check/line-spread',
  '/recipes',
  '/recipes/cockle-and-leek-chowder',
  '/recipes/cockle-and-leek-chowder/versions',
  '/recipes/start',
  '/recipes/new',
  '/recipes/import',
  '/kitchen',
  '/kitchen?part=pots',
  '/kitchen?part=burners',
  '/kitchen?part=products',
  '/kitchen?part=keeping',
  '/kitchen?part=archive',
  '/kitchen?part=stations',
  '/kitchen/water-test',
  '/kitchen/versions',
  '/plan/print',
  '/service/print?id=6f0f6f0e-5d1c-4c0e-9a53-0d2f7c1b9a01',
] as const;

/** Waits until the page is live: the rail's clock runs. Before that nobody could have typed. */
export const live = (page: Page) =>
  expect(page.getByRole('list', { name: 'Pots on the stove' })).toContainText(/\d\d:\d\d/, {
    timeout: 30_000,
  });

/**
 * Waits until what is read on the page has stood still for `quiet` ms, its figures left aside: clocks run on. What is
 * still worked out says so, and is waited for by what it says.
 */
export async function still(page: Page, quiet = 700): Promise<void> {
  await page.evaluate(() => {
    delete document.documentElement.dataset.stillSince;
    delete document.documentElement.dataset.stillAs;
  });
  await page.waitForFunction(
    (ms) => {
      const { dataset } = document.documentElement;
      const text = document.body.innerText.replace(/[\d\s]+/g, ' ');
      const as = `${text.length} ${[...text].reduce((sum, c) => (sum * 31 + c.charCodeAt(0)) % 1e9, 7)}`;
      if (dataset.stillAs !== as) {
        dataset.stillAs = as;
        dataset.stillSince = String(performance.now());
      }
      return performance.now() - Number(dataset.stillSince) >= ms;
    },
    quiet,
    { polling: 120, timeout: 60_000 },
  );
}

/** Goes to a view and waits until it is live. */
export async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await live(page);
}

/** Waits until a view has what it works out. */
export async function settled(page: Page, path: string): Promise<void> {
  await expect(page.getByRole('main')).toBeVisible();
  await live(page);
  if (path === '/plan') await expect(page.getByText(/^Chance of/)).toBeVisible();
  if (path === '/service')
    await expect(page.getByText('Working out how long each takes …')).toHaveCount(0, { timeout: 40_000 });
  if (path === '/compare') await expect(page.getByText(/Simulating each/)).toBeHidden({ timeout: 40_000 });
  if (/^\/recipes\/cockle[^/]*$/.test(path)) await expect(page.getByText('After each step')).toBeVisible();
}

export const dose = (page: Page) => page.getByRole('listitem').filter({ hasText: 'the dose' });

export const grams = async (page: Page): Promise<number> =>
  Number(((await dose(page).innerText()).match(/([\d\s]+)g/)?.[1] ?? '').replaceAll(/\s/g, ''));

/** Writes down a temperature that was read by hand, in Keep. */
export async function temperature(page: Page, celsius: string): Promise<void> {
  await page.getByRole('button', { name: /^(Enter temperature|By hand)$/ }).click();
  await page.getByLabel('Temperature, °C').fill(celsius);
  await page.getByRole('button', { name: 'Write', exact: true }).click();
}

/** A database of its own beside the one the tests run on, empty; `drop` ends it. */
export async function emptyDatabase(name: string): Promise<{ url: string; drop: () => Promise<void> }> {
  const url = new URL(here.databaseUrl);
  url.pathname = `/${name}`;
  const owner = new pg.Client({ connectionString: here.databaseUrl });
  await owner.connect();
  const gone = () => owner.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`);
  await gone();
  await owner.query(`CREATE DATABASE ${name}`);
  return {
    url: url.href,
    drop: async () => {
      await gone();
      await owner.end();
    },
  };
}

/** Throws in the test what goes wrong on the page. */
export const watch = (page: Page): void => {
  page.on('pageerror', (error) => {
    throw error;
  });
};
