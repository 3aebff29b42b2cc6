import { rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { expect, test } from '@playwright/test';
import pg from 'pg';
import { grow } from '../bench/kit/grow';
import { prepare, serve } from '../cli/app.mjs';
import { bringBack, putAway } from '../src/server/data/parts';
import { sealRest } from '../src/server/queries/record/seals';
import { emptyDatabase, live, open, watch } from './kit';
import { begin, done, heading } from './stove';

/** A tenth of three years’ events, and every recipe they have come to; the whole of it is measured in bench/grown. */
const GROWN = { batches: 2000, eventsEach: 50, recipes: 500, versionsEach: 20, days: 1095 };
const NAME = 'panache_test_grown';

const file = join(tmpdir(), `panache-month-${process.pid}.jsonl.gz`);

test('in a kitchen of three years: the rail, a recipe found, a batch begun, tapped and finished, a month put away and brought back', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const { url: databaseUrl, drop } = await emptyDatabase(NAME);
  const { url } = await prepare(databaseUrl);
  const db = new pg.Pool({ connectionString: databaseUrl, max: 2 });
  // Whoever is left when the database is dropped is told so.
  db.on('error', () => {});
  await grow(db, GROWN);
  const app = await serve({ mode: 'start', from: 3460, databaseUrl: url, env: { DEVICES_URL: '' } });
  const context = await browser.newContext({ baseURL: app.address });
  try {
    const page = await context.newPage();
    watch(page);
    await open(page, '/recipes');
    const rail = page.getByRole('list', { name: 'Pots on the stove' });
    // What two thousand batches came to is over: only what lives stands on the rail.
    await expect(rail.getByRole('listitem').filter({ hasText: 'Smoked parsnip velouté' })).toHaveCount(1);
    expect(await rail.getByRole('listitem').count()).toBeLessThan(8);

    const list = page.getByRole('main').getByRole('list');
    await expect(page.getByRole('status').filter({ hasText: /of 5\d\d in use/ })).toBeVisible();
    await page.getByRole('searchbox').fill('pear 407');
    await expect(list.getByRole('listitem')).toHaveCount(0);
    await page.getByRole('searchbox').fill('pear cream 4');
    await expect(list.getByRole('listitem').first()).toContainText(/Celeriac and pear cream 4\d*/);
    await page.getByRole('searchbox').fill('');
    await expect(list.getByRole('listitem')).toHaveCount(24);
    await page.getByRole('button', { name: /^Show \d+ more/ }).click();
    await expect(list.getByRole('listitem')).toHaveCount(120);

    // A recipe of the five hundred is chosen on the plan, and comes when it is.
    await page.goto('/plan');
    await live(page);
    await page.getByRole('button', { name: /^Soup/ }).click();
    await page.getByRole('searchbox', { name: 'Find' }).fill('veloute 4');
    await page
      .getByRole('radiogroup')
      .getByText(/^Smoked parsnip velouté 4\d\d/)
      .first()
      .click();
    await expect(page.getByRole('button', { name: /^Soup: smoked parsnip velouté 4\d\d/ })).toBeVisible();

    const id = await begin(page, 'recipe=smoked-parsnip-veloute&litres=8&pot=middle-28&burner=front-right');
    await expect(rail.getByRole('listitem').filter({ hasText: 'Smoked parsnip velouté' })).toHaveCount(2);
    await done(page);
    await expect(heading(page)).toHaveText('Cook a blond roux');
    await expect(rail.locator(`a[href="/stove/${id}"]`)).toContainText('Cook a blond roux');
    await page.request.post(`/api/batches/${id}/events`, {
      data: {
        id: crypto.randomUUID(),
        at: new Date().toISOString(),
        station: 'Lead',
        body: { kind: 'finished', goesTo: 'pass' },
      },
    });
    await expect(rail.locator(`a[href="/stove/${id}"]`)).toHaveCount(0);
    const { rows } = await db.query('SELECT over_at IS NOT NULL AS over FROM batch WHERE id = $1', [id]);
    expect(rows).toEqual([{ over: true }]);

    // A month of two years ago is put away: what is without it says so, and shows nothing else in its place.
    const { rows: old } = await db.query<{ id: string; kitchen_id: string; month: string; day: string }>(
      `SELECT id, kitchen_id, to_char(received_at AT TIME ZONE 'UTC', 'YYYY-MM') AS month,
         to_char(started_at, 'YYYY-MM-DD') AS day FROM batch
       WHERE date_trunc('month', received_at AT TIME ZONE 'UTC') = date_trunc('month', now() AT TIME ZONE 'UTC' - interval '24 months')
       ORDER BY started_at OFFSET 5`,
    );
    const [batch] = old;
    if (!batch) throw new Error('no batch of two years ago');
    const all = await db.query<{ batch_id: string }>(
      `SELECT DISTINCT batch_id FROM batch_event_${batch.month.replace('-', '_')}`,
    );
    await sealRest(db, batch.kitchen_id, { batches: all.rows.map((r) => r.batch_id), lots: [], lines: [] });
    const { lines } = await putAway(db, batch.month, file);
    expect(lines).toBeGreaterThan(1000);
    for (const path of [`/stove/${batch.id}`, `/fix?batch=${batch.id}`, `/check?batch=${batch.id}`]) {
      await page.goto(path);
      await expect(heading(page)).toHaveText(/ is put away$/);
      await expect(page.getByRole('main')).toContainText(`50 lines of its record, in ${basename(file)}.`);
    }
    await page.goto(`/record?from=${batch.day}&to=${batch.day}`);
    await expect(page.getByRole('main')).toContainText(
      `are put away in ${basename(file)} and not shown here`,
    );
    await bringBack(db, file);
    await page.reload();
    await expect(page.getByRole('main')).not.toContainText('put away');
    await expect(page.getByRole('row').nth(5)).toContainText('on the stove');
    await page.goto(`/stove/${batch.id}`);
    await expect(heading(page)).not.toHaveText(/put away/);
  } finally {
    rmSync(file, { force: true });
    await context.close();
    await app.stop();
    await db.end();
    await drop();
  }
});
