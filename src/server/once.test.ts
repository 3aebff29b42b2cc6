import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type pg from 'pg';
import type { BatchEvent } from '../core/batch/events';
import { plannedBatch, recordEvent } from './actions/batches';
import { openKeep, recordKeep } from './actions/keep/keep';
import { theRecord } from './actions/record';
import { startOf, startOnBoard } from './actions/services';
import { verifyRecord } from './actions/verify';
import { takeArchive } from './archive/take';
import { archiveText } from './archive/write';
import { loadDemo } from './data/demo/demo';
import { refusal, testDatabase } from './data/testDatabase';
import { appendEvents, readBatch, readBatches, UNBOUND } from './queries/batches';
import { mend, setAside } from './queries/record/aside';
import { countAside } from './queries/record/parts';
import { sealOld, sealRest } from './queries/record/seals';
import { readDay } from './queries/services';

/**
 * An id is used once: over all months, in one archive, between two who write at the same moment; and what is old
 * can never stop a start.
 */

const K = 'quay-house';
const folder = mkdtempSync(join(tmpdir(), 'panache-once-'));
let pool: pg.Pool;
let drop: () => Promise<void>;
let demo: string;

beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  await loadDemo(pool, join(process.cwd(), 'demo'));
  await sealOld(pool);
  demo = (await readBatches(pool, K))[0]?.id ?? '';
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await drop();
});

const count = async (of: string) => Number((await pool.query(`SELECT count(*) FROM ${of}`)).rows[0].count);
const note = (text: string, id: string = randomUUID(), at = new Date()): BatchEvent => ({
  id,
  at: at.toISOString(),
  station: 'Closer',
  body: { kind: 'note', text },
});

type Archive = {
  batches: {
    id: string;
    startedAt: string;
    serveAt: string | null;
    receivedAt?: string;
    events: BatchEvent[];
  }[];
  kept: { id: string; events: { id: string }[] }[];
};
async function archive(change: (a: Archive) => void): Promise<string> {
  let text = '';
  for await (const piece of archiveText(pool, new Date())) text += piece;
  const made = JSON.parse(text) as Archive;
  change(made);
  const file = join(folder, `${randomUUID()}.json`);
  writeFileSync(file, JSON.stringify(made));
  return file;
}
/** A batch of another kitchen, begun hours ago, with these lines. */
const another = (a: Archive, events: readonly BatchEvent[]): string => {
  const [like] = a.batches;
  if (!like) throw new Error('the archive has no batch');
  const id = randomUUID();
  const at = new Date(Date.now() - 40 * 86_400_000).toISOString();
  a.batches.push({ ...like, id, startedAt: at, serveAt: null, receivedAt: at, events: [...events] });
  return id;
};
const ago = (days: number) => new Date(Date.now() - days * 86_400_000);

describe('an archive in which one id is two lines’', () => {
  test.each<[string, (a: Archive) => void]>([
    [
      'in one batch, received in two months',
      (a) => {
        const id = randomUUID();
        another(a, [
          { ...note('one', id, ago(39)), receivedAt: ago(39).toISOString() },
          { ...note('two', id, ago(1)), receivedAt: ago(1).toISOString() },
        ]);
      },
    ],
    [
      'in two batches',
      (a) => {
        const id = randomUUID();
        another(a, [note('one', id, ago(39))]);
        another(a, [note('two', id, ago(38))]);
      },
    ],
    [
      'of a thing kept and of a batch',
      (a) => {
        const id = randomUUID();
        another(a, [note('one', id, ago(39))]);
        const [like] = a.kept;
        if (!like) throw new Error('nothing is kept');
        a.kept.push({
          ...like,
          id: randomUUID(),
          events: like.events.map((e, n) => ({ ...e, id: n === 0 ? id : randomUUID() })),
        });
      },
    ],
    [
      'here and there',
      (a) => {
        another(a, [note('there', a.batches[0]?.events[0]?.id, ago(39))]);
      },
    ],
  ])('%s, is refused by its place, and nothing is changed', async (_where, change) => {
    const before = [
      await count('batch'),
      await count('batch_event'),
      await count('keep_event'),
      await count('import'),
      await count('seal'),
    ];
    const refused = await refusal(takeArchive(pool, await archive(change)));
    expect(refused.status).toBe(400);
    expect(refused.message).toMatch(
      /(batch|kept) [0-9a-f-]{36}: the id of a line, .* is that of another line/,
    );
    expect([
      await count('batch'),
      await count('batch_event'),
      await count('keep_event'),
      await count('import'),
      await count('seal'),
    ]).toEqual(before);
    expect(await sealOld(pool)).toBe(0);
    expect((await verifyRecord(pool, [])).findings).toEqual([]);
  });
});

test('a tap under the id of a line an archive is still bringing waits for it, and is not written twice', async () => {
  const id = randomUUID();
  const bringing = await pool.connect();
  try {
    await bringing.query('BEGIN');
    const { rows } = await bringing.query<{ ok: boolean }>(
      `SELECT bring_batch($1, $2, kitchen_id, recipe_id, recipe_version, plan, started_at, serve_at, started_at, NULL) AS ok FROM batch WHERE id = $3`,
      [randomUUID(), randomUUID(), demo],
    );
    expect(rows[0]?.ok).toBe(true);
    await bringing.query(
      `SELECT * FROM bring_lines(ARRAY[$1]::uuid[], ARRAY(SELECT id FROM batch WHERE brought_by IS NOT NULL ORDER BY received_at DESC LIMIT 1),
         ARRAY[now()], ARRAY['x'], ARRAY['{"kind":"note","text":"x"}'::jsonb], ARRAY[NULL::bigint], ARRAY[now()], ARRAY[NULL::jsonb])`,
      [id],
    );
    const tapped = appendEvents(pool, [{ batch: demo, event: note('tap', id), bounds: UNBOUND }]);
    await new Promise((r) => setTimeout(r, 200));
    await bringing.query('COMMIT');
    expect((await tapped).size).toBe(0);
    expect(await count(`batch_event WHERE id = '${id}'`)).toBe(1);
    await sealRest(pool, K, null);
  } finally {
    bringing.release();
  }
});

test('one that was tapped a hundred times at once is one line', async () => {
  const event = note('once');
  const all = await Promise.all(Array.from({ length: 100 }, () => recordEvent(pool, demo, event)));
  expect(all.filter((r) => r.isNew)).toHaveLength(1);
  expect(await count(`batch_event WHERE id = '${event.id}'`)).toBe(1);
});

test('two in one statement are one line', async () => {
  const event = note('twice');
  const written = await appendEvents(pool, [
    { batch: demo, event, bounds: UNBOUND },
    { batch: demo, event: { ...event, body: { kind: 'note', text: 'other' } }, bounds: UNBOUND },
  ]);
  expect(written.size).toBe(1);
  expect(await count(`batch_event WHERE id = '${event.id}'`)).toBe(1);
});

test('what an archive brought whose sealing was cut short is sealed as Panache starts', async () => {
  let brought = '';
  const file = await archive((a) => {
    brought = another(a, [note('one', randomUUID(), ago(39)), note('two', randomUUID(), ago(39))]);
  });
  const { importId } = await takeArchive(pool, file);
  // As a kill in the middle leaves it: some sealed, some not.
  for (const t of ['seal', 'import_sealed']) await pool.query(`ALTER TABLE ${t} DISABLE TRIGGER USER`);
  await pool.query('DELETE FROM seal WHERE n = (SELECT max(n) FROM seal)');
  await pool.query('DELETE FROM import_sealed WHERE import_id = $1', [importId]);
  for (const t of ['seal', 'import_sealed']) await pool.query(`ALTER TABLE ${t} ENABLE TRIGGER USER`);
  expect((await verifyRecord(pool, [])).findings.map((f) => f.finding.kind)).toEqual(['slipped in']);
  expect(await sealOld(pool)).toBe(1);
  expect((await verifyRecord(pool, [])).findings).toEqual([]);
  expect((await readBatch(pool, brought))?.events).toHaveLength(2);
});

test('two lines under one id, from before ids were used once, stand aside: the chain goes on, and one command puts them back', async () => {
  const [same, other] = [note('stands'), note('stands too')];
  for (const event of [same, other]) await recordEvent(pool, demo, event);
  await pool.query('ALTER TABLE batch_event DISABLE TRIGGER USER');
  const second = (id: string, text: string) =>
    pool.query(
      `INSERT INTO batch_event (id, batch_id, kitchen_id, at, station, body, batch_started_at, received_at)
       SELECT id, batch_id, kitchen_id, at, station, jsonb_build_object('kind', 'note', 'text', $2::text), batch_started_at, received_at + interval '35 days' FROM batch_event WHERE id = $1`,
      [id, text],
    );
  await second(same.id, 'stands');
  await second(other.id, 'something else');
  await pool.query('ALTER TABLE batch_event ENABLE TRIGGER USER');
  expect((await verifyRecord(pool, [])).findings.filter((f) => f.finding.kind === 'twice')).toHaveLength(2);

  expect(await setAside(pool)).toBe(2);
  expect(await sealOld(pool)).toBe(0);
  expect(await countAside(pool)).toBe(2);
  const aside = await verifyRecord(pool, []);
  expect([aside.findings, aside.aside]).toEqual([[], 2]);
  // What the chain speaks of is what stood.
  const texts = async () =>
    (await readBatch(pool, demo))?.events.flatMap((e) => (e.body.kind === 'note' ? [e.body.text] : [])) ?? [];
  expect(await texts()).not.toContain('something else');

  expect(await mend(pool)).toEqual({ again: 1, same: 1 });
  expect((await texts()).filter((t) => t === 'stands' || t === 'something else')).toEqual([
    'stands',
    'something else',
  ]);
  expect(await verifyRecord(pool, [])).toMatchObject({ findings: [], aside: 0 });
  expect(await mend(pool)).toEqual({ again: 0, same: 0 });
});

test('one soup lit thrice at once is one batch', async () => {
  const tomorrow = new Date(Date.now() + 86_400_000);
  let services: Awaited<ReturnType<typeof readDay>> = [];
  for (let n = 0; n < 8 && services.length === 0; n++)
    services = await readDay(
      pool,
      K,
      new Date(tomorrow.getTime() + n * 86_400_000).toISOString().slice(0, 10),
    );
  const [stored] = services;
  const key = Object.keys(stored?.service.placed ?? {})[0] ?? '';
  const before = await count('batch');
  const at = new Date().toISOString();
  const lit = await Promise.allSettled(
    Array.from({ length: 3 }, async () => {
      const asked = {
        key,
        id: randomUUID(),
        startedAt: at,
        serveAt: new Date(Date.now() + 3 * 3_600_000).toISOString(),
        anyway: true,
      };
      const request = await startOf(pool, stored?.service.id ?? '', asked);
      return startOnBoard(pool, stored?.service.id ?? '', asked, await plannedBatch(pool, request));
    }),
  );
  expect(lit.map((l) => l.status).sort()).toEqual(['fulfilled', 'rejected', 'rejected']);
  expect(await count('batch')).toBe(before + 1);
});

describe('a record too long for one page', () => {
  const lot = randomUUID();
  const START = Date.now() - 86_400_000;
  beforeAll(async () => {
    await pool.query("INSERT INTO lot (id, kitchen_id, opened_at, stage) VALUES ($1, $2, now(), 'cold')", [
      lot,
      K,
    ]);
    const put = {
      kind: 'put by',
      what: 'soup',
      name: 'Long',
      madeAt: new Date(START).toISOString(),
      ml: 8000,
      allergens: [],
      container: { kind: 'pot', vessel: 'middle-28' },
      place: 'fridge',
      celsius: 4,
    };
    await pool.query(
      `INSERT INTO keep_event (id, kitchen_id, lot_id, at, received_at, station, body)
       SELECT gen_random_uuid(), $1, $2, t, t, 'Closer', CASE WHEN n = 0 THEN $3::jsonb ELSE jsonb_build_object('kind', 'temperature', 'celsius', 3) END
       FROM (SELECT n, to_timestamp($4 / 1000.0) + n * interval '10 seconds' AS t FROM generate_series(0, 2499) n) l`,
      [K, lot, JSON.stringify(put), START],
    );
  });
  test('comes a hundred and fifty lines at a time, each once, and says of how many', async () => {
    const pages = [];
    for (let page = 0; page < 17; page++) pages.push(await theRecord(pool, { lot, page: String(page) }));
    expect(pages.map((p) => [p.at, p.entries.length, p.of])).toEqual(
      pages.map((_, n) => [n * 150, n < 16 ? 150 : 100, 2500]),
    );
    expect(new Set(pages.flatMap((p) => p.entries.map((e) => e.id))).size).toBe(2500);
    expect((await refusal(theRecord(pool, { lot, page: '17' }))).problems[0]).toMatchObject({
      field: 'page',
      allowed: 'a page from 0 to 16',
    });
    expect((await theRecord(pool, { lot })).entries).toHaveLength(2500);
  });
});

describe('more than one record takes', () => {
  const DAY_AGO = '2026-01-10';
  beforeAll(async () => {
    // A thing a second, of a day long ago; none of them over.
    await pool.query(
      `WITH things AS (INSERT INTO lot (id, kitchen_id, opened_at, stage)
         SELECT gen_random_uuid(), $1, '2026-01-10T12:00:00Z'::timestamptz + n * interval '1 second', 'cold' FROM generate_series(0, 2004) n RETURNING id, opened_at)
       INSERT INTO keep_event (id, kitchen_id, lot_id, at, received_at, station, body)
       SELECT gen_random_uuid(), $1, id, opened_at, opened_at, 'Closer', jsonb_build_object('kind', 'put by', 'what', 'soup', 'name', 'Many',
         'madeAt', '2026-01-10T11:00:00.000Z', 'ml', 1000, 'allergens', '[]'::jsonb, 'container', jsonb_build_object('kind', 'pot', 'vessel', 'middle-28'), 'place', 'fridge')
       FROM things`,
      [K],
    );
  });
  test('is said: up to when it is whole, and nothing after that stands in it', async () => {
    const record = await theRecord(pool, { from: DAY_AGO, to: DAY_AGO });
    expect(record.wholeTo).toBe(Date.parse('2026-01-10T12:00:00Z') + 2000 * 1000);
    expect(record.entries.filter((e) => e.source === 'keep')).toHaveLength(2000);
    expect(Math.max(...record.entries.map((e) => e.at))).toBeLessThan(record.wholeTo ?? 0);
    expect((await theRecord(pool, { from: '2026-01-09', to: '2026-01-09' })).wholeTo).toBeNull();
  });
  test('of all that is kept the newest are shown, and how many more there are', async () => {
    const kept = await openKeep(pool);
    const all = await count(`lot WHERE kitchen_id = '${K}' AND over_at IS NULL`);
    expect([kept.lots.length, kept.more]).toEqual([500, all - 500]);
    // What was put by today is among them.
    const { rows } = await pool.query<{ id: string }>(
      'SELECT id FROM lot WHERE over_at IS NULL ORDER BY opened_at DESC, id LIMIT 1',
    );
    expect(kept.lots.some((l) => l.id === rows[0]?.id)).toBe(true);
  });
});

describe('what cannot be true of a thing kept', () => {
  const PANS = { kind: 'pans', pan: 'tub-2', count: 4 } as const;
  const put = (more: object = {}) => ({
    kind: 'put by',
    what: 'stock',
    name: 'Stock',
    madeAt: new Date(Date.now() - 60_000).toISOString(),
    ml: 2000,
    allergens: [],
    container: PANS,
    place: 'fridge',
    celsius: 4,
    ...more,
  });
  const write = (lot: string, body: object, at = new Date()) =>
    recordKeep(pool, lot, { id: randomUUID(), at: at.toISOString(), station: 'Closer', body });
  const thing = async () => {
    const lot = randomUUID();
    await write(lot, put());
    return lot;
  };
  test.each<[string, (lot: string) => [string, object], string]>([
    [
      'let down by more than its pans hold',
      (l) => [l, { kind: 'let down', ml: 600_000, ingredient: 'water' }],
      'body.ml',
    ],
    [
      'let down with what nobody knows',
      (l) => [l, { kind: 'let down', ml: 100, ingredient: 'moon-dust' }],
      'body.ingredient',
    ],
    ['parted into itself', (l) => [l, { kind: 'parted', ml: 100, into: l }], 'body.into'],
    ['put by out of nothing', () => [randomUUID(), put({ from: randomUUID() })], 'body.from'],
    ['put by with more than there was', (l) => [randomUUID(), put({ from: l, ml: 6000 })], 'body.ml'],
    ['a name of spaces', () => [randomUUID(), put({ name: '   ' })], 'body.name'],
  ])('%s is refused by its field', async (_what, asked, field) => {
    const [lot, body] = asked(await thing());
    expect((await refusal(write(lot, body))).problems[0]?.field).toBe(field);
  });
  test('let down with milk, it has milk in it', async () => {
    const lot = await thing();
    await write(lot, { kind: 'let down', ml: 100, ingredient: 'whole-milk' });
    const { entries } = await theRecord(pool, { lot });
    expect(entries).toHaveLength(2);
  });
  test('a reading from a clock that ran ahead does not bar the next', async () => {
    const lot = await thing();
    await write(lot, { kind: 'temperature', celsius: 4 }, new Date(Date.now() + 23 * 3_600_000));
    expect((await write(lot, { kind: 'temperature', celsius: 3 })).isNew).toBe(true);
  });
});
