import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { cp, mkdtemp, readdir, rename, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type pg from 'pg';
import { lateBy } from '../core/batch/guide/late';
import { ticketOf } from '../core/batch/ticket';
import { USUAL_KEEPING } from '../core/kitchen/keeping';
import { kitchenFileOf } from '../core/kitchen/kitchenFile';
import { DAY_MS } from '../core/units/moment';
import { recordEvent, startBatch } from './actions/batches';
import { restoreKitchen, saveKitchen, theHouse } from './actions/kitchen';
import { saveRecipe } from './actions/recipes';
import { takeArchive } from './archive/take';
import { undoImport } from './archive/undo';
import { archiveFile, archiveText, sentOnce } from './archive/write';
import { loadDemo } from './data/demo/demo';
import { migrate } from './data/migrate';
import { asApplication, refusal, testDatabase } from './data/testDatabase';
import { railOf } from './live/rail';
import { readBatch, readBatches, readLiveBatches } from './queries/batches';
import { readImports } from './queries/imports';
import { readRecipe, readRecipes, readVersions } from './queries/recipes';
import { depthGuard, jsonIn } from './refusal';
import { startOf } from './testKit';
import { Watch } from './work/watch';

const K = 'quay-house';
let pool: pg.Pool;
let drop: () => Promise<void>;
let demo: string;

beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  await loadDemo(pool, join(process.cwd(), 'demo'));
  demo = (await readBatches(pool, K))[0]?.id ?? '';
});
afterAll(() => drop());

const at = (ms: number): string => new Date(Date.now() + ms).toISOString();
const note = (more: object = {}) => ({
  id: randomUUID(),
  at: at(0),
  station: 'Closer',
  body: { kind: 'note', text: 'so it goes' },
  ...more,
});
const count = async (table: string) =>
  Number((await pool.query(`SELECT count(*) FROM ${table}`)).rows[0].count);

describe('time', () => {
  test.each([
    ['9999-12-31T23:59:59.9999999Z', 400],
    ['9999-12-31T23:59:59Z', 400],
    ['0000-01-01T00:00:00Z', 400],
    ['2026-01-31T16:20:00.1234Z', 400],
    ['2026-02-30T16:20:00Z', 400],
    [at(DAY_MS + 60_000), 422],
    [at(-DAY_MS - 30 * 60_000), 422],
  ])('an event of %s is refused by its field', async (moment, status) => {
    const before = await count('batch_event');
    const refused = await refusal(recordEvent(pool, demo, note({ at: moment })));
    expect([refused.status, refused.problems[0]?.field]).toEqual([status, 'at']);
    expect(await count('batch_event')).toBe(before);
  });

  test.each([at(DAY_MS - 60_000), at(-DAY_MS + 60_000)])('one of %s is within a day', async (moment) => {
    expect((await recordEvent(pool, demo, note({ at: moment }))).isNew).toBe(true);
  });

  test('the database itself refuses what is past the door', async () => {
    const insert = (moment: string, body = '{"kind":"note","text":"x"}') =>
      pool.query(
        `INSERT INTO batch_event (id, batch_id, at, station, body, batch_started_at)
         SELECT $1, id, $2, 'x', $3::jsonb, started_at FROM batch WHERE id = $4`,
        [randomUUID(), moment, body, demo],
      );
    await expect(insert('9999-12-31T23:59:59.9999999Z')).rejects.toThrow(/not_ahead/);
    await expect(insert(at(-3 * DAY_MS))).rejects.toThrow(/not_before_its_batch/);
    await expect(
      pool.query('INSERT INTO batch SELECT $1, kitchen_id, recipe_id, recipe_version, plan, $2 FROM batch', [
        randomUUID(),
        '2099-01-01T00:00:00Z',
      ]),
    ).rejects.toThrow(/near_now/);
  });

  test.each([
    ['startedAt', { startedAt: at(2 * DAY_MS) }],
    ['startedAt', { startedAt: at(-2 * DAY_MS) }],
    ['serveAt', { serveAt: at(9 * DAY_MS) }],
  ])('a batch whose %s is days away is refused', async (field, more) => {
    const refused = await refusal(startBatch(pool, startOf(more)));
    expect([refused.status, refused.problems[0]?.field]).toEqual([422, field]);
  });

  test('what waited on a station comes in with its own time, and is late by the server’s', async () => {
    const waited = note({ at: at(-15 * 60_000), clockMs: 1_200_000 });
    await recordEvent(pool, demo, { ...waited, receivedAt: at(-DAY_MS) });
    const line = (await readBatch(pool, demo))?.events.find((e) => e.id === waited.id);
    expect(line).toMatchObject({ at: waited.at, clockMs: 1_200_000 });
    // What the station claims of when it was taken counts for nothing.
    expect(Date.parse(line?.receivedAt ?? '')).toBeGreaterThan(Date.now() - 60_000);
    expect(line && Math.round(lateBy(line) / 60_000)).toBe(15);
    const prompt = note();
    await recordEvent(pool, demo, prompt);
    const other = (await readBatch(pool, demo))?.events.find((e) => e.id === prompt.id);
    expect(other && lateBy(other)).toBe(0);
  });

  test('a line that cannot be read is said to be there, and the others go on', async () => {
    const { id } = await startBatch(pool, startOf({ anyway: true }));
    await recordEvent(pool, id, note());
    const { rows } = await pool.query(
      `SELECT tableoid::regclass::text AS part FROM batch_event WHERE batch_id = $1`,
      [id],
    );
    await pool.query('ALTER TABLE batch_event DISABLE TRIGGER ALL');
    for (const moment of ['infinity', '10000-01-01T00:00:00Z'])
      await pool
        .query(
          `ALTER TABLE ${rows[0].part} DROP CONSTRAINT IF EXISTS batch_event_not_ahead;
           INSERT INTO batch_event (id, batch_id, kitchen_id, at, station, body)
           VALUES ('${randomUUID()}', '${id}', 'quay-house', '${moment}', 'x', '{"kind":"note","text":"x"}')`,
        )
        .finally(() => pool.query('ALTER TABLE batch_event ENABLE TRIGGER ALL'));
    const batch = await readBatch(pool, id);
    expect(batch?.events).toHaveLength(1);
    expect(batch?.unreadable?.map((u) => u.why)).toEqual([
      expect.stringMatching(/^at: /),
      expect.stringMatching(/^at: /),
    ]);
    expect((await railOf(pool, Date.now())).find((t) => t.id === id)?.trouble).toMatchObject({
      values: { count: 2 },
    });
    // The archive has them, and takes itself in again.
    let text = '';
    for await (const piece of archiveText(pool, new Date())) text += piece;
    expect(JSON.parse(text).batches.find((b: { id: string }) => b.id === id).unreadable).toHaveLength(2);
  });

  test('a batch the model fails goes by its plan and says so', async () => {
    const batch = await readBatch(pool, demo);
    const ticket = batch && ticketOf(batch, Date.now(), 'lost');
    expect(ticket).toMatchObject({ by: 'reading', step: 6, trouble: { text: 'Not followed: by the plan' } });
    expect(Number.isNaN(Date.parse(ticket?.until ?? ''))).toBe(false);
    expect(batch && ticketOf(batch, Date.now())?.trouble).toBeNull();
  });
});

describe('races', () => {
  test('a second live batch in one pot is asked about, and taken when it is meant', async () => {
    const two = [startOf({ vesselId: 'deep-42' }), startOf({ vesselId: 'deep-42' })];
    const answers = await Promise.allSettled(two.map((r) => startBatch(pool, r)));
    expect(answers.map((a) => a.status).toSorted()).toEqual(['fulfilled', 'rejected']);
    const refused = await refusal(startBatch(pool, startOf({ vesselId: 'deep-42' })));
    expect(refused.status).toBe(409);
    expect(refused.problems[0]).toMatchObject({
      field: 'vesselId',
      given: 'Deep 42 is on the stove with Smoked parsnip velouté',
    });
    expect((await startBatch(pool, startOf({ vesselId: 'deep-42', anyway: true }))).isNew).toBe(true);
  });

  test('once it is finished, or left for days, the pot is free', async () => {
    const first = await startBatch(pool, startOf({ vesselId: 'low-wide-26', litres: 2 }));
    await recordEvent(pool, first.id, note({ body: { kind: 'finished', goesTo: 'pass' } }));
    expect((await startBatch(pool, startOf({ vesselId: 'low-wide-26', litres: 2 }))).isNew).toBe(true);
  });

  test('a pot and a burner something stands on stay in the kitchen', async () => {
    const house = await theHouse(pool);
    const file = kitchenFileOf(house);
    for (const [field, kitchen] of [
      ['vessels', { ...file, vessels: file.vessels.filter((v) => v.id !== 'deep-42') }],
      ['burners', { ...file, burners: file.burners.filter((b) => b.id !== 'front-left') }],
    ] as const) {
      const refused = await refusal(saveKitchen(pool, { kitchen, revision: house.revision }));
      expect([refused.status, refused.problems[0]?.field]).toEqual([409, field]);
    }
    expect((await theHouse(pool)).revision).toBe(house.revision);
  });

  test('an old revision without the pot something stands on is not made the newest', async () => {
    const house = await theHouse(pool);
    const file = kitchenFileOf(house);
    const without = { ...file, vessels: file.vessels.filter((v) => v.id !== 'deep-42') };
    // As if it had been saved before the batch was begun.
    await pool.query(
      `INSERT INTO kitchen_version (kitchen_id, revision, body) VALUES ($1, $2, $3), ($1, $2 + 1, $4)`,
      [house.id, house.revision + 1, JSON.stringify(without), JSON.stringify(file)],
    );
    const refused = await refusal(restoreKitchen(pool, { revision: house.revision + 1 }));
    expect([refused.status, refused.problems[0]?.field]).toEqual([409, 'vessels']);
  });

  test('an id that is another batch’s event is refused, not answered as known', async () => {
    const event = note();
    await recordEvent(pool, demo, event);
    const other = await startBatch(pool, startOf({ anyway: true }));
    expect((await refusal(recordEvent(pool, other.id, event))).status).toBe(409);
    expect(await recordEvent(pool, demo, event)).toEqual({ id: event.id, isNew: false });
  });

  test('batches begun ahead of a real one do not push it off the rail', async () => {
    for (let n = 0; n < 22; n++)
      await startBatch(pool, startOf({ startedAt: at(DAY_MS - 5000), anyway: true }));
    await recordEvent(pool, demo, note());
    expect((await readLiveBatches(pool, K, 20)).map((b) => b.id)).toContain(demo);
  });
});

describe('an import', () => {
  const file = async (text: string): Promise<string> => {
    const name = join(tmpdir(), `panache-test-${randomUUID()}.json`);
    await writeFile(name, text);
    return name;
  };
  const archiveOf = async (db: pg.Pool) => {
    let text = '';
    for await (const piece of archiveText(db, new Date())) text += piece;
    return text;
  };

  test('is gone back on in one call: settings, recipes, versions and batches as before, and back again by the file', async () => {
    const other = await testDatabase();
    try {
      await loadDemo(other.pool, join(process.cwd(), 'demo'));
      const first = await readRecipe(other.pool, K, 'roast-carrot-cream');
      await saveRecipe(other.pool, K, 'roast-carrot-cream', {
        body: { ...first?.body, name: 'Carrot, ours' },
        base: 1,
      });
      const before = await theHouse(other.pool);
      const theirs = JSON.parse(await archiveOf(pool));
      theirs.kitchen.name = 'Theirs';
      theirs.kitchen.vessels.push({ ...theirs.kitchen.vessels[0], id: 'extra', name: 'Extra' });
      theirs.recipes.push({
        ...theirs.recipes[0],
        id: 'their-soup',
        versions: [
          {
            ...theirs.recipes[0].versions[0],
            body: { ...theirs.recipes[0].versions[0].body, id: 'their-soup' },
          },
        ],
      });
      const from = await file(JSON.stringify(theirs));
      const batchesBefore = (await readBatches(other.pool, K, 100)).length;
      const taken = await takeArchive(other.pool, from);
      expect(taken.newRecipes).toEqual(['their-soup']);
      expect(taken.newBatches).toBeGreaterThan(20);
      expect((await theHouse(other.pool)).name).toBe('Theirs');
      const withTheirs = (await readRecipes(other.pool, K)).length;

      await undoImport(other.pool, { id: taken.importId });
      const after = await theHouse(other.pool);
      expect(kitchenFileOf(after)).toEqual(kitchenFileOf(before));
      expect((await readRecipes(other.pool, K)).length).toBe(withTheirs - 1);
      expect((await readVersions(other.pool, K, 'roast-carrot-cream')).map((v) => v.version)).toEqual([2, 1]);
      expect((await readBatches(other.pool, K, 100)).length).toBe(batchesBefore);
      // It is not the last that stands any more.
      expect((await refusal(undoImport(other.pool, { id: taken.importId }))).status).toBe(409);
      // Nothing was thrown away: the file brings all of it back.
      const again = await takeArchive(other.pool, from);
      expect(again).toMatchObject({ newRecipes: ['their-soup'], newBatches: taken.newBatches });
      expect((await readBatches(other.pool, K, 100)).length).toBe(batchesBefore + taken.newBatches);
      await rm(from);
    } finally {
      await other.drop();
    }
  });

  test('is not gone back on over settings saved since, unless that is meant', async () => {
    const other = await testDatabase();
    try {
      await loadDemo(other.pool, join(process.cwd(), 'demo'));
      const house = await theHouse(other.pool);
      const from = await file(JSON.stringify({ ...kitchenFileOf(house), name: 'Upstairs' }));
      const { importId } = await takeArchive(other.pool, from);
      const now = await theHouse(other.pool);
      await saveKitchen(other.pool, {
        kitchen: { ...kitchenFileOf(now), altitudeM: 900 },
        revision: now.revision,
      });
      const refused = await refusal(undoImport(other.pool, { id: importId }));
      expect([refused.status, refused.problems[0]?.field]).toEqual([409, 'kitchen']);
      expect((await theHouse(other.pool)).name).toBe('Upstairs');
      await undoImport(other.pool, { id: importId, anyway: true });
      expect(kitchenFileOf(await theHouse(other.pool))).toEqual(kitchenFileOf(house));
      expect((await readImports(other.pool, K))[0]?.undoneAt).not.toBeNull();
      await rm(from);
    } finally {
      await other.drop();
    }
  });

  test.each(['a \u0000 in it', 'half \ud800 a sign'])(
    'with a text no database holds is refused by its place: %j',
    async (text) => {
      const archive = JSON.parse(await archiveOf(pool));
      archive.recipes[0].versions[0].note = text;
      // Small enough to be read whole.
      archive.batches = [];
      const from = await file(JSON.stringify(archive));
      const refused = await refusal(takeArchive(pool, from));
      expect([refused.status, refused.problems[0]?.field]).toEqual([400, 'recipe.versions.0.note']);
      await rm(from);
    },
  );

  test('is sent from a file that is gone when it is read, or when nobody wants it any more', async () => {
    const file = await archiveFile(pool, new Date());
    let text = '';
    for await (const piece of sentOnce(file)) text += Buffer.from(piece).toString();
    expect(JSON.parse(text).batches.length).toBeGreaterThan(20);
    const unwanted = await archiveFile(pool, new Date());
    await sentOnce(unwanted).cancel();
    await new Promise((r) => setTimeout(r, 100));
    expect([file, unwanted].map((f) => existsSync(f))).toEqual([false, false]);
  });

  test('half a character in a file too large to be looked at whole is refused by its line', async () => {
    const from = await large((a) => {
      (a.recipes[0] as { versions: { note: string }[] }).versions[0]!.note = 'half \ud800 a sign';
    });
    const refused = await refusal(takeArchive(pool, from));
    expect([refused.status, refused.problems[0]?.given]).toEqual([
      400,
      'half a character, which no text can hold',
    ]);
    await rm(from);
  });

  /** An archive too large to be looked at whole. */
  const large = async (change: (a: { batches: { events: unknown[] }[]; recipes: unknown[] }) => void) => {
    const archive = JSON.parse(await archiveOf(pool));
    const [batch] = archive.batches;
    batch.events = Array.from({ length: 3000 }, (_, n) => ({
      id: `00000000-0000-4000-9000-${String(n).padStart(12, '0')}`,
      at: batch.startedAt,
      station: 'Closer',
      body: { kind: 'note', text: `line ${n} of a busy evening` },
    }));
    batch.id = randomUUID();
    change(archive);
    return file(JSON.stringify(archive, null, 1));
  };

  test('of a large file is stopped half way, and nothing is written', async () => {
    const before = [await count('batch'), await count('batch_event'), (await theHouse(pool)).revision];
    const from = await large(() => {});
    const watch = new Watch();
    const reached: number[] = [];
    const refused = await refusal(
      takeArchive(pool, from, {
        watch: Object.assign(watch, {
          reach: (share: number) => {
            reached.push(share);
            if (share > 0.2) watch.stop();
          },
        }),
      }),
    );
    expect(refused).toMatchObject({
      status: 409,
      message: expect.stringMatching(/stopped; nothing was changed/),
    });
    expect(Math.max(...reached)).toBeLessThan(0.7);
    expect([await count('batch'), await count('batch_event'), (await theHouse(pool)).revision]).toEqual(
      before,
    );
    await rm(from);
  });

  test('of a large file comes in whole, and says all the while how far it is', async () => {
    const from = await large(() => {});
    const watch = new Watch();
    const reach = watch.reach.bind(watch);
    const reached: number[] = [];
    Object.assign(watch, {
      reach: (share: number) => {
        reach(share);
        reached.push(watch.share);
      },
    });
    const taken = await takeArchive(pool, from, { watch });
    expect(reached).toEqual([...reached].sort((a, b) => a - b));
    expect(new Set(reached).size).toBeGreaterThan(5);
    expect(watch.share).toBe(1);
    expect(taken.newBatches).toBe(1);
    expect(await count("batch_event WHERE body ->> 'text' LIKE 'line % of a busy evening'")).toBe(3000);
    await rm(from);
  });

  test.each<[string, Parameters<typeof large>[0], RegExp, number]>([
    [
      'stops at fifty problems',
      (a) => {
        for (const e of a.batches[0]?.events ?? []) (e as { at: string }).at = 'noon';
      },
      /^batches\[0\]\.events\[0\]\.at$/,
      50,
    ],
    [
      'lacks a recipe its batch was cooked from',
      (a) => a.recipes.splice(0),
      /^batches\[0\]\.recipeVersion$/,
      23,
    ],
  ])('of a large file that %s is refused, and nothing is written', async (_what, change, place, least) => {
    const before = [await count('batch'), await count('batch_event'), (await theHouse(pool)).revision];
    const from = await large(change);
    const refused = await refusal(takeArchive(pool, from));
    expect(refused.problems[0]?.field).toMatch(place);
    expect(refused.problems.length).toBeGreaterThanOrEqual(least);
    expect(refused.problems.length).toBeLessThanOrEqual(50);
    expect([await count('batch'), await count('batch_event'), (await theHouse(pool)).revision]).toEqual(
      before,
    );
    await rm(from);
  });

  test.each([
    ['ends in the middle', (t: string) => t.slice(0, 600_000), /ends in the middle/],
    [
      'is broken in the middle',
      (t: string) => `${t.slice(0, t.indexOf('\n', 500_000))}!${t.slice(t.indexOf('\n', 500_000))}`,
      /not JSON/,
    ],
    [
      'nests without end',
      (t: string) => t.replace('"recipes":', `"x":${'['.repeat(5000)}${']'.repeat(5000)},"recipes":`),
      /nested too deep/,
    ],
  ])('of a large file that %s says where', async (_what, broken, says) => {
    const good = await large(() => {});
    const { readFile } = await import('node:fs/promises');
    const from = await file(broken(await readFile(good, 'utf8')));
    const refused = await refusal(takeArchive(pool, from));
    expect(refused.problems[0]?.field).toMatch(/^line \d+$/);
    expect(refused.problems[0]?.given).toMatch(says);
    await Promise.all([rm(good), rm(from)]);
  });
});

describe('the application’s own role', () => {
  let app: pg.Pool;
  let leave: () => Promise<void>;
  beforeAll(async () => {
    ({ app, leave } = await asApplication(pool, 'panache_guard_test'));
  });
  afterAll(() => leave());

  test('does all the application does', async () => {
    expect((await recordEvent(app, demo, note())).isNew).toBe(true);
    expect((await startBatch(app, startOf({ anyway: true }))).isNew).toBe(true);
    const house = await theHouse(app);
    await saveKitchen(app, { kitchen: kitchenFileOf(house), revision: house.revision });
    expect((await railOf(app, Date.now())).length).toBeGreaterThan(0);
  });

  test.each([
    "UPDATE batch_event SET station = 'Nobody'",
    'DELETE FROM batch_event',
    'TRUNCATE batch_event',
    "UPDATE batch SET plan = '{}'",
    'DELETE FROM batch',
    'UPDATE recipe_version SET version = 9',
    'DELETE FROM water_test',
    "UPDATE kitchen_version SET body = '{}'",
    'DELETE FROM import_undone',
    'ALTER TABLE batch_event DISABLE TRIGGER ALL',
    'DROP TABLE batch_event',
    'CREATE TABLE mine (x int)',
    'CREATE TEMP TABLE mine (x int)',
    "UPDATE migration SET name = 'x'",
    'SET session_replication_role = replica',
  ])('cannot: %s', async (statement) => {
    await expect(app.query(statement)).rejects.toThrow(/permission denied|must be owner/);
  });

  test('and the owner is kept from the plan of a batch by its own slips', async () => {
    await expect(pool.query('UPDATE batch SET serve_at = NULL')).rejects.toThrow(/append-only/);
    await expect(pool.query('TRUNCATE batch CASCADE')).rejects.toThrow(/append-only/);
  });
});

describe('a database of another age', () => {
  test('of a newer Panache is left alone, and so is one whose migrations were changed', async () => {
    const other = await testDatabase();
    const folder = await mkdtemp(join(tmpdir(), 'panache-sql-'));
    try {
      await cp(join(process.cwd(), 'src/server/sql'), folder, { recursive: true });
      expect(await migrate(other.pool, folder)).toEqual([]);
      await writeFile(join(folder, '0001_first_light.sql'), '-- other words');
      await expect(migrate(other.pool, folder)).rejects.toThrow(/0001_first_light\.sql is not the text/);
      await other.pool.query("INSERT INTO migration (name) VALUES ('0999_from_the_future.sql')");
      await expect(migrate(other.pool)).rejects.toThrow(/newer Panache.*0999_from_the_future/);
    } finally {
      await rm(folder, { recursive: true });
      await other.drop();
    }
  });
});

test('a kitchen kept in columns comes through as the document it is now, pot for pot', async () => {
  const other = await testDatabase({ empty: true });
  const folder = await mkdtemp(join(tmpdir(), 'panache-sql-'));
  try {
    await cp(join(process.cwd(), 'src/server/sql'), folder, { recursive: true });
    const later = (await readdir(folder)).filter((f) => f >= '0005').sort();
    for (const f of later) await rename(join(folder, f), join(folder, `${f}.later`));
    await migrate(other.pool, folder);
    await other.pool.query(`
      INSERT INTO kitchen (id, name, altitude_m, air_celsius, humidity, salt_percent, band_limits, measures,
        show_volume, show_temperature, currency, flagged, roles, revision)
      VALUES ('quay', 'Quay', 1200, 24.5, 0.6, 0.7, '{25,90,260,800}', 'spoons', 'gal', 'F', '€', '{egg}', '{Lead}', 7);
      INSERT INTO pot VALUES ('quay', 'b', 'Second', 300, 200, 'copper', 2500, 1, NULL);
      INSERT INTO pot VALUES ('quay', 'a', 'First', 400, 350, 'aluminium', 4000, 0, 1.2);
      INSERT INTO burner VALUES ('quay', 'ring', 'Ring', 'gas', 9000, 0, 4100.5);
      INSERT INTO product (kitchen_id, ingredient, fat_percent, allergens) VALUES ('quay', 'heavy-cream', 48, '{milk}');
      INSERT INTO funnel VALUES ('quay', 'galley', 'Galley', 8, 200, 1.004, 4.2, 45.45, 12, 0);`);
    for (const f of later) await rename(join(folder, `${f}.later`), join(folder, f));
    expect(await migrate(other.pool, folder)).toEqual(later);
    const house = await theHouse(other.pool);
    expect(house.revision).toBe(7);
    expect(kitchenFileOf(house)).toEqual({
      format: 'panache.kitchen/1',
      id: 'quay',
      name: 'Quay',
      altitudeM: 1200,
      airCelsius: 24.5,
      humidity: 0.6,
      saltPercent: 0.7,
      bandLimits: [25, 90, 260, 800],
      measures: 'spoons',
      show: { volume: 'gal', temperature: 'F' },
      currency: '€',
      flagged: ['egg'],
      roles: ['Lead'],
      trays: 2,
      vessels: [
        {
          id: 'a',
          name: 'First',
          diameterMm: 400,
          heightMm: 350,
          material: 'aluminium',
          massG: 4000,
          lossFactor: 1.2,
        },
        { id: 'b', name: 'Second', diameterMm: 300, heightMm: 200, material: 'copper', massG: 2500 },
      ],
      burners: [{ id: 'ring', name: 'Ring', kind: 'gas', powerW: 9000, intoPotW: 4100.5 }],
      products: [{ ingredient: 'heavy-cream', fatPercent: 48, allergens: ['milk'] }],
      funnels: [
        {
          id: 'galley',
          name: 'Galley',
          orificeMm: 8,
          ml: 200,
          thin: { nu: 1.004, seconds: 4.2 },
          thick: { nu: 45.45, seconds: 12 },
        },
      ],
      // It had said nothing of how it keeps its soup.
      keeping: USUAL_KEEPING,
    });
  } finally {
    await rm(folder, { recursive: true });
    await other.drop();
  }
});

describe('JSON that would run out of stack', () => {
  test('is refused before it is walked; brackets in texts do not count', () => {
    expect(() => jsonIn(`${'['.repeat(10_000)}${']'.repeat(10_000)}`)).toThrow(/nested too deep/);
    expect(jsonIn(JSON.stringify({ a: '['.repeat(500), b: '\\"[' }))).toMatchObject({ b: '\\"[' });
  });
  test('also when it comes in pieces', () => {
    const watch = depthGuard();
    const text = Buffer.from(`{"a":"${'['.repeat(99)}\\"`);
    expect(watch(text)).toBe(false);
    expect(watch(Buffer.from(`${'['.repeat(99)}"`))).toBe(false);
    expect(watch(Buffer.from('['.repeat(64)))).toBe(true);
  });
});
