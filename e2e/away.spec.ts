import { type BrowserContext, expect, test } from '@playwright/test';
import { serve } from '../cli/app.mjs';
import { type Line, proxyTo, through } from '../drill/proxy';
import { app as here } from './app';
import { db, live, open, watch } from './kit';
import { begin, done, eventsOf, heading } from './stove';

const VELOUTE = 'recipe=smoked-parsnip-veloute&litres=8&pot=middle-28&burner=front-right';

/** A server of its own, by the clock all stations share, whose database is behind a line that can be cut. */
async function behind(port: number): Promise<{ line: Line; app: Awaited<ReturnType<typeof serve>> }> {
  const databaseUrl = here.databaseUrl;
  const line = await proxyTo(Number(new URL(databaseUrl).port));
  const app = await serve({
    mode: 'start',
    port,
    databaseUrl: through(databaseUrl, line),
    env: { DEVICES_URL: '' },
  });
  return { line, app };
}

test('a page at rest holds no line to the server but the one it hears by', async ({ page }) => {
  for (const path of ['/plan', '/stove', '/recipes']) {
    await open(page, path);
    // What an answer was not read of would stay under way.
    await page.waitForLoadState('networkidle', { timeout: 40_000 });
  }
});

test('with the database away a reload shows the batch as it was, another page says so and comes by itself', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const { line, app } = await behind(3520);
  const context = await browser.newContext({ baseURL: app.address });
  try {
    const page = await context.newPage();
    const id = await begin(page, VELOUTE);
    await done(page);
    await expect.poll(async () => (await eventsOf(id)).length).toBe(1);
    await expect
      .poll(() => page.evaluate(async () => (await (await caches.open('panache-parts-1')).keys()).length))
      .toBeGreaterThan(5);
    await page.waitForTimeout(1500);
    line.set('refused');
    await page.reload();
    await expect(heading(page)).toHaveText('Cook a blond roux', { timeout: 40_000 });
    await done(page);
    await expect(page.getByText('1 waiting to be saved')).toBeVisible();

    const other = await context.newPage();
    const answer = await other.goto('/recipes');
    expect(answer?.status()).toBe(503);
    expect(answer?.headers()['retry-after']).toBe('2');
    await expect(other.getByRole('heading', { name: 'This page cannot be shown now' })).toBeVisible();
    line.set('none');
    await expect(other.getByRole('heading', { name: 'Recipes' })).toBeVisible({ timeout: 40_000 });
    // What waited is sent from whatever page is open.
    await page.close();
    await expect.poll(async () => (await eventsOf(id)).length, { timeout: 40_000 }).toBe(2);
  } finally {
    await context.close();
    await app.stop();
    await line.close();
  }
});

test('silence is taken for what it is within twenty seconds, and a page nobody kept says that the server is away', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const base = new URL(here.address);
  const line = await proxyTo(Number(base.port));
  const context = await browser.newContext({ baseURL: `http://127.0.0.1:${line.port}` });
  try {
    const page = await context.newPage();
    await open(page, '/stove');
    await expect(page.getByText('Server away')).toBeHidden();
    await expect.poll(() => page.evaluate(async () => !!(await caches.match('/away.html')))).toBe(true);
    await page.waitForTimeout(1000);
    line.set('silent');
    await expect(page.getByText('Server away')).toBeVisible({ timeout: 20_000 });
    line.set('refused');
    const other = await context.newPage();
    await other.goto('/kitchen');
    await expect(other.getByRole('heading', { name: 'The kitchen’s server is away' })).toBeVisible();
    line.set('none');
    await expect(other.getByRole('heading', { name: 'Kitchen' })).toBeVisible({ timeout: 40_000 });
    await expect(page.getByText('Server away')).toBeHidden({ timeout: 40_000 });
  } finally {
    await context.close();
    await line.close();
  }
});

test('nine pages of one browser share one stream; when the one that has it goes, another takes it', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const { line, app } = await behind(3530);
  const context = await browser.newContext({ baseURL: app.address });
  const stations = async (): Promise<number> =>
    (await (await fetch(`${app.address}/api/health`)).json()).stations;
  try {
    const first = await context.newPage();
    const id = await begin(first, VELOUTE);
    for (let n = 0; n < 8; n++) await open(await context.newPage(), n % 2 ? '/plan' : `/stove/${id}`);
    expect(context.pages()).toHaveLength(9);
    await expect.poll(stations).toBe(1);
    const [, last] = context.pages();
    await done(first);
    await expect(last ? heading(last) : heading(first)).toHaveText('Cook a blond roux');
    await first.close();
    await expect.poll(stations).toBe(1);
    const [one, , two] = context.pages();
    if (!one || !two) throw new Error('eight pages are left');
    await done(one);
    await expect(heading(two)).toHaveText(await heading(one).innerText());
  } finally {
    await context.close();
    await app.stop();
    await line.close();
  }
});

test.describe('a station whose clock is twenty minutes fast', () => {
  let context: BrowserContext;
  test('writes by the server’s, says so, and its timers begin where they should', async ({ browser }) => {
    test.setTimeout(240_000);
    const { line, app } = await behind(3540);
    context = await browser.newContext({ baseURL: app.address });
    await context.addInitScript(() => {
      const { now } = Date;
      const fast = () => now() + 20 * 60_000;
      const Real = Date;
      // As a device that was set wrong has it.
      globalThis.Date = class extends Real {
        constructor(...args: []) {
          super(...((args.length ? args : [fast()]) as []));
        }
        static override now = fast;
      } as DateConstructor;
    });
    try {
      const page = await context.newPage();
      watch(page);
      const id = await begin(page, VELOUTE);
      await expect(page.getByText('This clock is fast')).toBeVisible();
      await expect(page.getByText('by 20 min')).toBeVisible();
      await done(page);
      await page.getByRole('button', { name: 'Timer', exact: true }).click();
      await page
        .getByRole('group', { name: 'Minutes' })
        .getByRole('button', { name: '10', exact: true })
        .click();
      await expect(page.getByRole('button', { name: /^Stop the timer/ })).toContainText(/09:5\d|10:00/);
      await expect
        .poll(async () => (await db.query('SELECT 1 FROM batch_event WHERE batch_id = $1', [id])).rowCount)
        .toBe(2);
      const { rows } = await db.query(
        'SELECT extract(epoch FROM received_at - at) AS late, clock_ms FROM batch_event WHERE batch_id = $1',
        [id],
      );
      for (const r of rows) {
        expect(Math.abs(Number(r.late))).toBeLessThan(3);
        expect(Math.abs(Number(r.clock_ms) - 1_200_000)).toBeLessThan(2000);
      }
      // It must not ring into other tests.
      await page.getByRole('button', { name: /^Stop the timer/ }).click();
      // Another station, whose clock is right, taps later: that counts.
      const right = await browser.newContext({ baseURL: app.address });
      const late = await right.newPage();
      await open(late, `/stove/${id}`);
      await late.getByRole('button', { name: 'Take back' }).click();
      await expect(heading(page)).toHaveText(await heading(late).innerText());
      await right.close();
    } finally {
      await context.close();
      await app.stop();
      await line.close();
    }
  });
});

test('an import is gone back on with one tap', async ({ page }) => {
  const kitchen = async () => (await (await page.request.get('/api/kitchen')).json()).kitchen;
  const before = await kitchen();
  await open(page, '/kitchen?part=archive');
  await page.getByLabel('Choose a file').setInputFiles({
    name: 'upstairs.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...before, name: 'Upstairs', altitudeM: 640 })),
  });
  await page.getByRole('button', { name: 'Do that' }).click();
  await expect(page.getByText(/^Done: 0 recipes/)).toBeVisible();
  expect(await kitchen()).toMatchObject({ name: 'Upstairs', altitudeM: 640 });
  await page.getByRole('button', { name: 'Undo the import' }).click();
  await expect(page.getByText('Back to before that import.')).toBeVisible();
  expect(await kitchen()).toEqual(before);
  await live(page);
});
