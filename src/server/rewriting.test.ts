import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type pg from 'pg';
import { type Head, hashOf, linked, NO_LINK } from '../core/record/chain';
import { recordEvent } from './actions/batches';
import { takeArchive } from './archive/take';
import { archiveText } from './archive/write';
import { loadDemo } from './data/demo/demo';
import { asApplication, testDatabase } from './data/testDatabase';
import { readBatches } from './queries/batches';
import { readHead, sealOld, verifyChain } from './queries/record/seals';

/**
 * Ways of changing the past: by the role the application has, and by whoever owns the database. Which are refused,
 * which are found, and which cannot be.
 */

const K = 'quay-house';
const folder = mkdtempSync(join(tmpdir(), 'panache-rewriting-'));
let pool: pg.Pool;
let app: pg.Pool;
let leave: () => Promise<void>;
let drop: () => Promise<void>;
let head: Head;
/** A batch begun here, a line of it, and an import. */
let batch: string;
let line: string;
let brought: string;

beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  await loadDemo(pool, join(process.cwd(), 'demo'));
  await sealOld(pool);
  batch = (await readBatches(pool, K))[0]?.id ?? '';
  line = randomUUID();
  await recordEvent(pool, batch, {
    id: line,
    at: new Date().toISOString(),
    station: 'Closer',
    body: { kind: 'temperature', celsius: 81 },
  });
  let text = '';
  for await (const piece of archiveText(pool, new Date())) text += piece;
  writeFileSync(join(folder, 'archive.json'), text);
  brought = (await takeArchive(pool, join(folder, 'archive.json'))).importId ?? '';
  head = await readHead(pool, K);
  ({ app, leave } = await asApplication(pool, 'panache_rewriting_test'));
});
afterAll(async () => {
  await leave();
  rmSync(folder, { recursive: true, force: true });
  await drop();
});

type Way = (db: pg.PoolClient) => Promise<unknown>;

/** What is found after it, by kind; all of it is undone. */
async function found(from: pg.Pool, way: Way, heads: readonly Head[] = []): Promise<readonly string[]> {
  const db = await from.connect();
  try {
    await db.query('BEGIN');
    await way(db);
    const { findings } = await verifyChain(db, K, heads);
    return [...new Set(findings.map((f) => f.kind))];
  } finally {
    await db.query('ROLLBACK');
    db.release();
  }
}

/** As whoever owns it can: past what keeps the record from being rewritten. */
const past =
  (...tables: readonly string[]) =>
  (way: Way): Way =>
  async (db) => {
    for (const t of tables) await db.query(`ALTER TABLE ${t} DISABLE TRIGGER USER`);
    await way(db);
  };
const ownBatch = past('batch_event', 'seal');
const ALL = ['batch_event', 'seal', 'import', 'import_undone', 'imported_batch', 'event_part_moved'] as const;

const newLine = (id: string, more = '', values = '') =>
  `INSERT INTO batch_event (id, batch_id, at, station, body, batch_started_at${more})
   SELECT '${id}', id, now(), 'Closer', '{"kind":"note","text":"x"}'::jsonb, started_at${values} FROM batch WHERE id = '${batch}'`;

test('as it is, nothing is found, by either', async () => {
  const nothing: Way = () => Promise.resolve();
  expect(await found(pool, nothing, [head])).toEqual([]);
  expect(await found(app, nothing, [head])).toEqual([]);
});

describe('the application’s role is refused', () => {
  test.each<[way: string, sql: () => string]>([
    ['changing a line', () => `UPDATE batch_event SET body = '{}' WHERE id = '${line}'`],
    ['removing a line', () => `DELETE FROM batch_event WHERE id = '${line}'`],
    ['emptying the record', () => 'TRUNCATE batch_event'],
    ['changing a line of what is kept', () => `UPDATE keep_event SET body = '{}'`],
    ['changing a batch', () => `UPDATE batch SET started_at = now()`],
    ['changing a link', () => `UPDATE seal SET sealed_at = now()`],
    [
      'making a link itself',
      () =>
        `INSERT INTO seal (kitchen_id, n, source, id, row, hash) VALUES ('${K}', 100000000, 'batch', '${randomUUID()}', '', '')`,
    ],
    [
      'dating a link',
      () =>
        `INSERT INTO seal (kitchen_id, n, source, id, row, hash, sealed_at) VALUES ('${K}', 9, 'batch', '${randomUUID()}', '', '', '2020-01-01')`,
    ],
    ['dating a line', () => newLine(randomUUID(), ', received_at', `, '2020-01-01'`)],
    [
      'numbering a line',
      () => newLine(randomUUID(), ', seq', ', -5').replace('SELECT', 'OVERRIDING SYSTEM VALUE SELECT'),
    ],
    [
      'dating a line of what is kept',
      () =>
        `INSERT INTO keep_event (id, kitchen_id, at, station, body, received_at) VALUES ('${randomUUID()}', '${K}', now(), 'x', '{}', '2020-01-01')`,
    ],
    [
      'dating a batch',
      () =>
        `INSERT INTO batch (id, kitchen_id, recipe_id, recipe_version, plan, started_at, received_at) SELECT '${randomUUID()}', kitchen_id, recipe_id, recipe_version, plan, started_at, '2020-01-01' FROM batch LIMIT 1`,
    ],
    [
      'calling a batch brought',
      () =>
        `INSERT INTO batch (id, kitchen_id, recipe_id, recipe_version, plan, started_at, brought_by) SELECT '${randomUUID()}', kitchen_id, recipe_id, recipe_version, plan, started_at, '${brought}' FROM batch LIMIT 1`,
    ],
    [
      'saying lines are away',
      () =>
        `INSERT INTO event_away (id, batch_id, part) VALUES ('${line}', '${batch}', 'batch_event_before')`,
    ],
    [
      'saying a month was put away',
      () =>
        `INSERT INTO event_part_moved (part, n, what, lines, sha256, file) VALUES ('batch_event_before', 1, 'put away', 0, '', '')`,
    ],
    [
      'giving a batch begun here to an import, to go back on it',
      () => `INSERT INTO imported_batch (import_id, batch_id) VALUES ('${brought}', '${batch}')`,
    ],
    [
      'giving a recipe’s version to an import',
      () =>
        `INSERT INTO imported_version (import_id, kitchen_id, recipe_id, version) SELECT '${brought}', kitchen_id, recipe_id, version FROM recipe_version LIMIT 1`,
    ],
    ['freeing an id', () => `DELETE FROM line_id WHERE id = '${line}'`],
    [
      'setting a line aside',
      () =>
        `INSERT INTO quarantine (source, id, batch_id, row) VALUES ('batch_event', '${line}', '${batch}', '{}')`,
    ],
    ['switching off what guards it', () => 'ALTER TABLE batch_event DISABLE TRIGGER ALL'],
    [
      'sealing what is no hash',
      () => `SELECT seal_lines('${K}', ARRAY['batch_event'], ARRAY['${randomUUID()}']::uuid[], ARRAY['x'])`,
    ],
    [
      'sealing what is none of the record',
      () =>
        `SELECT seal_lines('${K}', ARRAY['other'], ARRAY['${randomUUID()}']::uuid[], ARRAY[repeat('0', 64)])`,
    ],
    [
      'sealing a line twice',
      () =>
        `SELECT seal_lines('${K}', ARRAY['batch_event'], ARRAY['${line}']::uuid[], ARRAY[repeat('0', 64)])`,
    ],
  ])('%s', async (_way, sql) => {
    await expect(app.query(sql())).rejects.toThrow(
      /permission denied|must be owner|begun here|written here|SHA-256|violates/,
    );
  });

  test.each<[way: string, sql: () => string]>([
    ['a second line under an id that is taken, in any month', () => newLine(line)],
    [
      'a line of an archive into a batch begun here',
      () =>
        `SELECT * FROM bring_lines(ARRAY['${randomUUID()}']::uuid[], ARRAY['${batch}']::uuid[], ARRAY[now()], ARRAY['x'], ARRAY['{}'::jsonb], ARRAY[0::bigint], ARRAY[now()], ARRAY[NULL::jsonb])`,
    ],
    [
      'a batch of an archive over one that is here',
      () =>
        `SELECT 1 WHERE bring_batch('${brought}', '${batch}', '${K}', 'x', 1, '{}', now(), NULL, now(), NULL)`,
    ],
  ])('and writes nothing by %s', async (_way, sql) => {
    expect((await app.query(sql())).rowCount).toBe(0);
  });
});

describe('what the application’s role can write past the program is found', () => {
  test.each<[way: string, sql: () => string, kind: string]>([
    ['a line that is not sealed', () => newLine(randomUUID()), 'slipped in'],
    [
      'a batch that is not sealed',
      () =>
        `INSERT INTO batch (id, kitchen_id, recipe_id, recipe_version, plan, started_at) SELECT '${randomUUID()}', kitchen_id, recipe_id, recipe_version, plan, now() FROM batch LIMIT 1`,
      'slipped in',
    ],
    [
      'an import gone back on in silence',
      () => `INSERT INTO import_undone (import_id) VALUES ('${brought}')`,
      'slipped in',
    ],
    [
      'an import nobody made',
      () =>
        `INSERT INTO import (id, kitchen_id, taken, kitchen_before, revision_after) VALUES ('${randomUUID()}', '${K}', '{}', '{}', 1)`,
      'slipped in',
    ],
    [
      'a link for a line there is not',
      () =>
        `SELECT seal_lines('${K}', ARRAY['batch_event'], ARRAY['${randomUUID()}']::uuid[], ARRAY[repeat('0', 64)])`,
      'removed',
    ],
  ])('%s', async (_way, sql, kind) => {
    expect(await found(app, (db) => db.query(sql()))).toEqual([kind]);
  });
});

/** The chain written anew from line `from` on, over rows as they now stand. */
const anew =
  (from: number): Way =>
  async (db) => {
    const { rows } = await db.query(
      `SELECT s.n, s.source, s.id, t.row FROM seal s JOIN to_seal t ON (t.source, t.id) = (s.source, s.id)
       WHERE s.kitchen_id = $1 ORDER BY s.n`,
      [K],
    );
    const links = linked(NO_LINK, rows);
    for (const { n, row, hash } of links.slice(from - 1))
      await db.query('UPDATE seal SET row = $3, hash = $4 WHERE kitchen_id = $1 AND n = $2', [
        K,
        n,
        row,
        hash,
      ]);
  };

const nOf = async (db: pg.PoolClient, id: string): Promise<number> =>
  Number((await db.query('SELECT n FROM seal WHERE id = $1', [id])).rows[0].n);
const CHANGE = () => `UPDATE batch_event SET body = body || '{"celsius":61}' WHERE id = '${line}'`;

describe('what whoever owns the database does is found', () => {
  test.each<[way: string, does: Way, kinds: readonly string[]]>([
    ['a reading changed', ownBatch((db) => db.query(CHANGE())), ['changed']],
    [
      'a key put on a line that was written at the machine',
      ownBatch((db) =>
        db.query(`UPDATE batch_event SET via = '{"name":"Pass","access":"lead"}' WHERE id = '${line}'`),
      ),
      ['changed'],
    ],
    [
      'a key put on a batch',
      past('batch')((db) =>
        db.query(`UPDATE batch SET via = '{"name":"Pass","access":"lead"}' WHERE id = '${batch}'`),
      ),
      ['changed'],
    ],
    [
      'a line that is kept said to be of an archive',
      past('keep_event')((db) =>
        db.query('UPDATE keep_event SET brought = true WHERE id = (SELECT id FROM keep_event LIMIT 1)'),
      ),
      ['changed'],
    ],
    [
      'a line dated back',
      ownBatch((db) => db.query(`UPDATE batch_event SET at = at - interval '1 hour' WHERE id = '${line}'`)),
      ['changed'],
    ],
    [
      'a line removed',
      ownBatch((db) => db.query(`DELETE FROM batch_event WHERE id = '${line}'`)),
      ['removed'],
    ],
    [
      'a line and its link removed',
      ownBatch(async (db) => {
        await db.query(`DELETE FROM batch_event WHERE id = '${line}'`);
        await db.query(`DELETE FROM seal WHERE id = '${line}'`);
      }),
      ['missing'],
    ],
    [
      'a line changed with the hash of it',
      ownBatch(async (db) => {
        await db.query(CHANGE());
        const { rows } = await db.query(`SELECT row FROM to_seal WHERE id = '${line}'`);
        await db.query(`UPDATE seal SET row = $1 WHERE id = '${line}'`, [hashOf(rows[0].row)]);
      }),
      ['broken'],
    ],
    [
      'all lines removed, and said to be put away',
      past(...ALL)(async (db) => {
        await db.query(`INSERT INTO event_away SELECT id, batch_id, 'batch_event_before' FROM batch_event`);
        await db.query('DELETE FROM batch_event');
      }),
      ['removed'],
    ],
    [
      'and a month said to be put away that the chain knows nothing of',
      past(...ALL)(async (db) => {
        const { rowCount } = await db.query(
          `INSERT INTO event_away SELECT id, batch_id, 'batch_event_before' FROM batch_event`,
        );
        await db.query('DELETE FROM batch_event');
        await db.query(
          `INSERT INTO event_part_moved (part, n, what, lines, sha256, file, kitchens) VALUES ('batch_event_before', 1, 'put away', $1, '', 'x', '{${K}}')`,
          [rowCount],
        );
      }),
      ['removed', 'slipped in'],
    ],
    [
      'a second line under one id, in another month',
      past('batch_event')(async (db) => {
        await db.query(
          `INSERT INTO batch_event (id, batch_id, kitchen_id, at, station, body, batch_started_at, received_at)
           SELECT id, batch_id, kitchen_id, at, station, '{"kind":"note","text":"x"}'::jsonb, batch_started_at, received_at + interval '40 days' FROM batch_event WHERE id = '${line}'`,
        );
      }),
      ['twice'],
    ],
    [
      'a link dated back',
      ownBatch(async (db) =>
        db.query(`UPDATE seal SET sealed_at = '2020-01-01' WHERE n = $1`, [await nOf(db, line)]),
      ),
      ['backdated'],
    ],
    [
      'a link far beyond the end, for a follower to run out on',
      ownBatch((db) =>
        db.query(
          `INSERT INTO seal (kitchen_id, n, source, id, row, hash) VALUES ('${K}', 100000000, 'batch', '${randomUUID()}', '', '')`,
        ),
      ),
      ['missing', 'removed'],
    ],
    [
      'an import gone back on, put away again',
      past(...ALL)((db) =>
        db.query(`DELETE FROM import WHERE false; UPDATE import SET taken = '{}' WHERE id = '${brought}'`),
      ),
      ['changed'],
    ],
    [
      'a batch begun here given to an import',
      past(...ALL)((db) =>
        db.query(`INSERT INTO imported_batch (import_id, batch_id) VALUES ('${brought}', '${batch}')`),
      ),
      ['changed'],
    ],
    [
      'a batch made to start earlier',
      past(
        'batch',
        'batch_event',
      )((db) =>
        db.query(
          `UPDATE batch SET recipe_version = recipe_version, plan = plan || '{"litres":1}' WHERE id = '${batch}'`,
        ),
      ),
      ['changed'],
    ],
  ])('%s', async (_way, does, kinds) => {
    const all = await found(pool, does);
    expect([...all].sort()).toEqual([...kinds].sort());
  });

  test('a line changed and the chain written anew from it: only by a head that was kept elsewhere', async () => {
    const rewrite = ownBatch(async (db) => {
      const n = await nOf(db, line);
      await db.query(CHANGE());
      await anew(n)(db);
    });
    expect(await found(pool, rewrite, [head])).toEqual(['rewritten']);
    // Without any head the chain is as good as the first: nothing in the database could tell.
    expect(await found(pool, rewrite)).toEqual([]);
  });

  test('the end cut off, lines and links: only by a head that was kept elsewhere', async () => {
    const cut = past(...ALL)(async (db) => {
      const n = await nOf(db, line);
      await db.query('DELETE FROM import_sealed');
      await db.query('DELETE FROM imported_version');
      await db.query('DELETE FROM imported_batch');
      await db.query('DELETE FROM import');
      await db.query(`DELETE FROM batch_event WHERE id = '${line}'`);
      await db.query('DELETE FROM seal WHERE n >= $1', [n]);
    });
    expect(await found(pool, cut, [head])).toEqual(['cut short']);
    expect(await found(pool, cut)).toEqual([]);
  });
});
