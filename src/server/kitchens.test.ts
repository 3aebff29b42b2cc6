import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type pg from 'pg';
import { recordEvent } from './actions/batches';
import { recordKeep } from './actions/keep/keep';
import { theHouse } from './actions/kitchen';
import { actOnLearning } from './actions/log/log';
import { makeCode, pair, raise, setPin } from './actions/stations';
import { takeArchive } from './archive/take';
import { archiveText } from './archive/write';
import { KitchenPool, pool } from './data/database';
import { addKitchen, loadDemo } from './data/demo/demo';
import { MAY_ADD, MAY_CHANGE, MAY_CLEAR } from './data/roles';
import { asApplication, refusal, testDatabase } from './data/testDatabase';
import { as, askedKitchen, inKitchen, perKitchen, standsIn } from './guard/asking';
import { hashed } from './guard/keys';
import { bridgeUrl, listenToDevices } from './live/devices';
import { learnSoon } from './live/learning';
import { readBatch, readBatches } from './queries/batches';
import { readKitchenIds, writeGroup } from './queries/kitchens';
import { readStationByKey } from './queries/stations';
import { writeWaterTest } from './queries/waterTests';

/** Two kitchens in one database, each with something of every kind, as the application’s own role sees them. */
const A = 'quay-house';
const ROLE = 'panache_kitchens_test';
const folder = mkdtempSync(join(tmpdir(), 'panache-kitchens-'));
let owner: pg.Pool;
let app: KitchenPool;
let leave: () => Promise<void>;
let drop: () => Promise<void>;
let B: string;
let batchOfA: string;

/** What belongs to no kitchen: months of the record, what was done once, and the use of an id. */
const OF_NONE = ['migration', 'done_once', 'line_id', 'event_part'];
/** What kitchens of one group have in common, or all that were there when a month was put away. */
const IN_COMMON = ['kitchen_group', 'published', 'event_part_moved'];

async function tablesThere(): Promise<readonly { name: string; secured: boolean }[]> {
  const { rows } = await owner.query<{ name: string; secured: boolean }>(
    `SELECT c.relname AS name, c.relrowsecurity AND EXISTS (SELECT 1 FROM pg_policy p WHERE p.polrelid = c.oid) AS secured
     FROM pg_class c WHERE c.relnamespace = 'public'::regnamespace AND c.relkind IN ('r', 'p') AND NOT c.relispartition ORDER BY 1`,
  );
  return rows;
}
const ofKitchens = async (): Promise<readonly string[]> =>
  (await tablesThere()).map((t) => t.name).filter((t) => !OF_NONE.includes(t));

/** Rows of a table as text, as one sees them. */
const seen = async (db: pg.Pool, table: string): Promise<readonly string[]> =>
  (await db.query<{ t: string }>(`SELECT to_jsonb(t)::text AS t FROM ${table} t`)).rows.map((r) => r.t);

const at = () => new Date().toISOString();
const line = (body: object) => ({ id: randomUUID(), at: at(), station: 'Lead', body });

/** Something of every kind for the kitchen that is asked for. */
async function fill(kitchen: string): Promise<void> {
  await inKitchen(kitchen, async () => {
    const house = await theHouse(app);
    const [batch] = await readBatches(app, kitchen);
    if (!batch) throw new Error('no batch');
    await recordEvent(app, batch.id, line({ kind: 'note', text: 'ü' }));
    await recordEvent(app, batch.id, line({ kind: 'finished', goesTo: 'pass', yieldMl: 7800 }));
    await recordKeep(
      app,
      'kitchen',
      line({ kind: 'signed', from: '2026-11-20', to: '2026-11-20', by: 'Lead' }),
    );
    await writeWaterTest(app, kitchen, {
      id: randomUUID(),
      vesselId: house.vessels[0]?.id ?? '',
      burnerId: house.burners[0]?.id ?? '',
      readings: {
        litres: 10,
        startCelsius: 14,
        heatedTo: 95,
        heatMinutes: 22,
        keptAt: 95,
        keptMinutes: 30,
        by: 'weight',
        before: 15000,
        after: 14600,
      },
      lossFactor: 1.1,
      intoPotW: 3100,
    });
    await actOnLearning(app, {
      id: randomUUID(),
      by: 'Lead',
      body: { kind: 'fix', key: 'flour plain-flour', factor: 0.9 },
    });
    await setPin(app, { pin: '1234' });
    const { key } = await pair(app, { code: (await makeCode(app, { name: 'Pass', access: 'lead' })).code });
    const station = await readStationByKey(app, hashed(key));
    if (!station) throw new Error('no station');
    await as({ who: { kind: 'station', ...station, raised: false }, address: '', secure: false }, () =>
      raise(app, { pin: '1234' }),
    );
    await makeCode(app, { name: 'Next', access: 'line' });
  });
  // An archive gone back on.
  await owner.query(
    `WITH one AS (INSERT INTO import (id, kitchen_id, taken, kitchen_before, revision_after)
       VALUES (gen_random_uuid(), $1, '{}', '{}', 1) RETURNING id)
     INSERT INTO import_undone (import_id) SELECT id FROM one`,
    [kitchen],
  );
  // What the owner alone brings about, or what stands there only for a moment.
  await owner.query(
    `INSERT INTO to_log (batch_id, kitchen_id) SELECT id, kitchen_id FROM batch WHERE kitchen_id = $1 ON CONFLICT DO NOTHING`,
    [kitchen],
  );
  await owner.query(
    `INSERT INTO logged (batch_id, kitchen_id, recipe_id, started_at, words, landed, body)
     SELECT id, kitchen_id, recipe_id, started_at, '', 'first', '{}' FROM batch WHERE kitchen_id = $1 ON CONFLICT DO NOTHING`,
    [kitchen],
  );
  await owner.query(
    `INSERT INTO lesson (batch_id, kitchen_id, at, body) SELECT id, kitchen_id, started_at, '{}' FROM batch WHERE kitchen_id = $1
     ON CONFLICT DO NOTHING`,
    [kitchen],
  );
  await owner.query(
    `INSERT INTO quarantine (source, id, batch_id, row) SELECT 'batch_event', gen_random_uuid(), id, '{}' FROM batch WHERE kitchen_id = $1 LIMIT 1`,
    [kitchen],
  );
  await owner.query(
    `INSERT INTO event_away (id, batch_id, part) SELECT gen_random_uuid(), id, 'batch_event_before' FROM batch WHERE kitchen_id = $1 LIMIT 1`,
    [kitchen],
  );
}

beforeAll(async () => {
  ({ pool: owner, drop } = await testDatabase());
  await loadDemo(owner, join(process.cwd(), 'demo'));
  const role = await asApplication(owner, ROLE);
  ({ app, leave } = role);
  process.env.DATABASE_URL = role.url;
  B = await addKitchen(owner, 'Harbour View');
  // The second begins with what the first has, under ids of its own: so that it, too, has something of every kind.
  let text = '';
  await inKitchen(A, async () => {
    for await (const piece of archiveText(app, new Date())) text += piece;
  });
  const other = new Map<string, string>();
  text = text.replaceAll(/[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}/g, (id) => {
    const known = other.get(id) ?? randomUUID();
    other.set(id, known);
    return known;
  });
  writeFileSync(join(folder, 'a.json'), text);
  for (const kitchen of [A, B]) {
    // An import stands in both: into the first, of what is another’s by its ids, and a recipe it has not.
    const ids =
      kitchen === B
        ? text
        : text
            .replaceAll(/[0-9a-f]{8}(?=-[0-9a-f]{4}-4[0-9a-f]{3}-)/g, (x) => x.split('').reverse().join(''))
            .replaceAll('smoked-parsnip-veloute', 'roast-parsnip-veloute');
    writeFileSync(join(folder, 'in.json'), ids);
    await inKitchen(kitchen, () => takeArchive(app, join(folder, 'in.json')));
  }
  await fill(A);
  await fill(B);
  await writeGroup(owner, { id: 'quay', name: 'Quay', head: A, kitchens: [A, B] });
  await owner.query(
    `INSERT INTO published (id, group_id, kind, edition, body) VALUES (gen_random_uuid(), 'quay', 'rules', 1, '{}')`,
  );
  await owner.query(
    `INSERT INTO published_answer (kitchen_id, published_id, answer) SELECT k.id, p.id, 'declined' FROM published p, kitchen k`,
  );
  await owner.query(
    `INSERT INTO event_part_moved (part, n, what, lines, sha256, file, kitchens)
     VALUES ('batch_event_before', 1, 'put away', 0, '', '', ARRAY(SELECT id FROM kitchen))`,
  );
  batchOfA = (await inKitchen(A, () => readBatches(app, A)))[0]?.id ?? '';
}, 60_000);
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await pool().end();
  await leave();
  await drop();
});

test('every table there is has rows of kitchens behind row-level security, or belongs to none', async () => {
  const open = (await tablesThere()).filter((t) => !t.secured).map((t) => t.name);
  expect(open).toEqual([...OF_NONE].sort());
});

test('and every view is read with the eyes of whoever reads it', async () => {
  const { rows } = await owner.query<{ name: string; options: readonly string[] | null }>(
    "SELECT relname AS name, reloptions AS options FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relkind IN ('v', 'm')",
  );
  expect(rows.length).toBeGreaterThan(2);
  for (const { name, options } of rows) expect([name, options]).toEqual([name, ['security_invoker=true']]);
});

test('each kitchen sees its own rows of every table, both together all there are, and none the other’s', async () => {
  for (const table of await ofKitchens()) {
    const all = await seen(owner, table);
    const [a, b] = [await inKitchen(A, () => seen(app, table)), await inKitchen(B, () => seen(app, table))];
    expect([table, a.length > 0 && b.length > 0]).toEqual([table, true]);
    const common = a.filter((row) => b.includes(row));
    expect([table, common]).toEqual([table, IN_COMMON.includes(table) ? all : []]);
    expect([table, new Set([...a, ...b]).size]).toEqual([table, all.length]);
  }
});

test('whoever says no kitchen, or one there is not, sees nothing as soon as there are two', async () => {
  for (const kitchen of ['', 'nobodys'])
    for (const table of [...(await ofKitchens()), 'kept_batch', 'kept_version', 'to_seal'])
      expect([table, await inKitchen(kitchen, () => seen(app, table))]).toEqual([table, []]);
});

test('the next transaction on a connection is not of the kitchen before it', async () => {
  const one = new KitchenPool({ ...app.options, max: 1 });
  try {
    await inKitchen(A, () => one.query('SELECT 1'));
    const { rows } = await inKitchen('', () =>
      one.query("SELECT current_setting('panache.kitchen', true) AS k, asked_kitchen() AS asked"),
    );
    expect(rows).toEqual([{ k: '', asked: null }]);
  } finally {
    await one.end();
  }
});

test('no row of the other can be added, whatever of it the role may write', async () => {
  const group = ['published'];
  for (const [table, columns] of Object.entries(MAY_ADD)) {
    const { rows } = await owner.query<{ row: object }>(
      `SELECT to_jsonb(t) AS row FROM ${table} t ${columns.includes('kitchen_id') ? `WHERE kitchen_id = '${A}'` : ''}
       ${table === 'batch_event' ? `WHERE batch_id = '${batchOfA}'` : ''} LIMIT 1`,
    );
    expect([table, rows.length]).toEqual([table, 1]);
    // Under an id and a number of its own: so that it is refused for whose it is, and not for being there already.
    const fresh = {
      ...rows[0]?.row,
      ...(!['import_undone', 'import_sealed', 'imported_batch', 'imported_version'].includes(table) && {
        id: randomUUID(),
        version: 99,
        revision: 99,
      }),
    };
    const adding = inKitchen(B, () =>
      app.query(
        `INSERT INTO ${table} (${columns.join(', ')}) SELECT ${columns.join(', ')} FROM jsonb_populate_record(NULL::${table}, $1)`,
        [JSON.stringify(fresh)],
      ),
    );
    if (group.includes(table)) await expect(adding).rejects.toThrow(/row-level security/);
    else await expect(adding).rejects.toThrow(/row-level security|null value in column "kitchen_id"/);
  }
});

test('nothing of the other’s settings is changed, and nothing of what may go is removed', async () => {
  for (const table of [...MAY_CHANGE, ...MAY_CLEAR]) {
    const before = await inKitchen(A, () => seen(app, table));
    const { rows } = await owner.query<{ c: string }>(
      'SELECT column_name AS c FROM information_schema.columns WHERE table_name = $1 AND is_generated = $2 AND is_identity = $3 LIMIT 1',
      [table, 'NEVER', 'NO'],
    );
    const client = await app.connect();
    try {
      await client.query(`BEGIN; SET LOCAL panache.kitchen = '${B}'`);
      const changed = await client.query(`UPDATE ${table} SET ${rows[0]?.c} = ${rows[0]?.c}`);
      expect([table, changed.rowCount]).toEqual([table, (await inKitchen(B, () => seen(app, table))).length]);
      if ((MAY_CLEAR as readonly string[]).includes(table)) await client.query(`DELETE FROM ${table}`);
      await client.query('COMMIT');
    } finally {
      client.release();
    }
    expect([table, await inKitchen(A, () => seen(app, table))]).toEqual([table, before]);
  }
});

test('a row of one’s own does not hang on one of the other’s', async () => {
  const lot = (await owner.query('SELECT id FROM lot WHERE kitchen_id = $1 LIMIT 1', [A])).rows[0].id;
  const refused = /row-level security|null value in column/;
  const asB = (sql: string, values: readonly unknown[]) => inKitchen(B, () => app.query(sql, [...values]));
  await expect(
    asB(
      `INSERT INTO keep_event (id, kitchen_id, lot_id, at, station, body) VALUES ($1, $2, $3, now(), 'x', '{}')`,
      [randomUUID(), B, lot],
    ),
  ).rejects.toThrow(refused);
  await expect(
    asB(`INSERT INTO lot (id, kitchen_id, batch_id, opened_at, stage) VALUES ($1, $2, $3, now(), 'hot')`, [
      randomUUID(),
      B,
      batchOfA,
    ]),
  ).rejects.toThrow(refused);
  await expect(
    asB(`INSERT INTO batch_event (id, batch_id, at, station, body) VALUES ($1, $2, now(), 'x', '{}')`, [
      randomUUID(),
      batchOfA,
    ]),
  ).rejects.toThrow(refused);
  const own = (await owner.query('SELECT id FROM import WHERE kitchen_id = $1 LIMIT 1', [B])).rows[0].id;
  await expect(
    asB('INSERT INTO imported_batch (import_id, batch_id) SELECT $1, id FROM (VALUES ($2::uuid)) v(id)', [
      own,
      batchOfA,
    ]),
  ).rejects.toThrow(/row-level security|begun here/);
});

test.each<[string, string, readonly unknown[]]>([
  ['seal_lines', 'SELECT seal_lines($1, ARRAY[]::text[], ARRAY[]::uuid[], ARRAY[]::text[])', [A]],
  ['remove_recipe', "SELECT remove_recipe($1, 'leek-and-potato-cream')", [A]],
  [
    'bring_batch',
    "SELECT bring_batch(gen_random_uuid(), gen_random_uuid(), $1, 'leek-and-potato-cream', 1, '{}', now(), NULL, now(), NULL)",
    [A],
  ],
  ['bring_kept', "SELECT bring_kept(gen_random_uuid(), $1, NULL, now(), 'x', NULL, '{}', now(), NULL)", [A]],
  [
    'bring_water_test',
    "SELECT bring_water_test(gen_random_uuid(), $1, 'p', 'b', now(), '{}', NULL, NULL)",
    [A],
  ],
  ['bring_act', "SELECT bring_act(gen_random_uuid(), $1, now(), 'x', '{}')", [A]],
])('%s does nothing for another kitchen', async (_name, sql, values) => {
  await expect(inKitchen(B, () => app.query(sql, [...values]))).rejects.toThrow(
    /is not the one that is asked for/,
  );
});

test('nor does bring_lines write to a batch that was brought to another', async () => {
  const { rows } = await owner.query<{ id: string; started: string }>(
    'SELECT id, started_at::text AS started FROM batch WHERE kitchen_id = $1 AND brought_by IS NOT NULL LIMIT 1',
    [A],
  );
  const bring = (kitchen: string) =>
    inKitchen(kitchen, () =>
      app.query(
        `SELECT bring_lines(ARRAY[gen_random_uuid()], ARRAY[$1::uuid], ARRAY[$2::timestamptz], ARRAY['x'], ARRAY['{"kind":"note","text":"x"}'::jsonb],
           ARRAY[NULL::bigint], ARRAY[$2::timestamptz], ARRAY[NULL::jsonb])`,
        [rows[0]?.id, rows[0]?.started],
      ),
    );
  expect((await bring(B)).rowCount).toBe(0);
  expect((await bring(A)).rowCount).toBe(1);
});

test('through the actions: another’s batch is none there is, its code lets nobody in, its archive has nothing of ours', async () => {
  await inKitchen(B, async () => {
    expect(await readBatch(app, batchOfA)).toBeNull();
    expect((await refusal(recordEvent(app, batchOfA, line({ kind: 'note', text: 'x' })))).status).toBe(404);
    let text = '';
    for await (const piece of archiveText(app, new Date())) text += piece;
    expect(text).not.toContain(batchOfA);
  });
  const { code } = await inKitchen(A, () => makeCode(app, { name: 'One', access: 'line' }));
  expect((await inKitchen(B, () => refusal(pair(app, { code })))).status).toBe(422);
  // Asked for by its id it is: as a screen does that was never in.
  const { key } = await inKitchen(B, () => pair(app, { code, kitchen: A }));
  expect((await readStationByKey(app, hashed(key)))?.kitchenId).toBe(A);
});

test('an archive of the other’s is refused, with the reason and whole', async () => {
  let text = '';
  await inKitchen(A, async () => {
    for await (const piece of archiveText(app, new Date())) text += piece;
  });
  const whole = JSON.parse(text);
  const before = await inKitchen(B, () => seen(app, 'batch'));
  // All of it; and batches of it alone, which have no line that would tell.
  for (const archive of [
    whole,
    { ...whole, batches: whole.batches.map((b: object) => ({ ...b, events: [] })), kept: [] },
  ]) {
    writeFileSync(join(folder, 'other.json'), JSON.stringify(archive));
    const { status, problems } = await inKitchen(B, () =>
      refusal(takeArchive(app, join(folder, 'other.json'))),
    );
    expect([status, problems.length]).toEqual([400, 1]);
    expect(problems[0]?.given).toMatch(/another/);
  }
  expect(await inKitchen(B, () => seen(app, 'batch'))).toEqual(before);
});

test('taps of both at one moment are each written to its own, and not left out of the other’s statement', async () => {
  const batchOfB = (await inKitchen(B, () => readBatches(app, B)))[0]?.id ?? '';
  const taps = Array.from({ length: 20 }, (_, n) =>
    inKitchen(n % 2 ? A : B, () =>
      recordEvent(app, n % 2 ? batchOfA : batchOfB, line({ kind: 'note', text: `tap ${n}` })),
    ),
  );
  expect((await Promise.all(taps)).map((t) => t.isNew)).toEqual(Array(20).fill(true));
  const { rows } = await owner.query(
    "SELECT kitchen_id AS k, count(*)::int AS n FROM batch_event WHERE body ->> 'text' LIKE 'tap %' GROUP BY 1 ORDER BY 1",
  );
  expect(rows).toEqual([
    { k: B, n: 10 },
    { k: A, n: 10 },
  ]);
});

test('what is learned is learned of each by itself: one that cannot be does not keep the others from it', async () => {
  const learned: string[] = [];
  process.env.PANACHE_LEARN = 'on';
  Object.assign(globalThis, {
    panacheWork: async () => {
      const kitchen = askedKitchen();
      learned.push(kitchen);
      if (kitchen === A) throw new Error('the model lost it');
      await owner.query('DELETE FROM to_log WHERE kitchen_id = $1', [kitchen]);
      await owner.query('UPDATE learned SET anew = false WHERE kitchen_id = $1', [kitchen]);
    },
  });
  await owner.query(
    'INSERT INTO to_log (batch_id, kitchen_id) SELECT id, kitchen_id FROM batch ON CONFLICT DO NOTHING',
  );
  learnSoon(0);
  for (let n = 0; n < 200 && !learned.includes(B); n++) await new Promise((r) => setTimeout(r, 20));
  await new Promise((r) => setTimeout(r, 100));
  // Each once: one that fails is not tried again at once.
  expect(learned.toSorted()).toEqual([B, A].toSorted());
});

test('the bridge of this machine’s devices is its own kitchen’s, and no other hears it', () => {
  standsIn(A);
  process.env.DEVICES_URL = 'http://127.0.0.1:1';
  expect([inKitchen(A, bridgeUrl), inKitchen(B, bridgeUrl)]).toEqual(['http://127.0.0.1:1', null]);
  const told: unknown[] = [];
  inKitchen(B, () => listenToDevices((news) => told.push(news)));
  expect(told).toEqual([{ kind: 'bridge', state: 'none' }]);
});

test('what there is one of to a kitchen is another’s of each, and that asked for longest ago goes first', () => {
  const made: string[] = [];
  const one = perKitchen(() => {
    made.push(askedKitchen());
    return { of: askedKitchen() };
  }, 2);
  const of = (kitchen: string) => inKitchen(kitchen, one);
  expect(of('a')).toBe(of('a'));
  expect(of('b')).not.toBe(of('a'));
  of('c');
  expect([of('a').of, made]).toEqual(['a', ['a', 'b', 'c']]);
  of('b');
  expect(made).toEqual(['a', 'b', 'c', 'b']);
});

test('all ids are known, the first kitchen’s before one that came later, whatever they are called', async () => {
  expect(await inKitchen(B, () => readKitchenIds(app))).toEqual([A, B]);
});
