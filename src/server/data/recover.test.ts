import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import type pg from 'pg';
import type { BatchEvent } from '../../core/batch/events';
import { verifyRecord } from '../actions/verify';
import { appendEvents, readBatch, readBatches, UNBOUND, writeBatch } from '../queries/batches';
import { readHead, sealOld, sealRest } from '../queries/record/seals';
import { loadDemo } from './demo/demo';
import { bringBack, putAway } from './parts';
import { recover } from './recover';
import { openSince, testDatabase } from './testDatabase';

/** A month on an honest disk gives back what a database that was cut has not. */

const K = 'quay-house';
const LATER = new Date('2026-11-01T00:00:00Z');
const folder = mkdtempSync(join(tmpdir(), 'panache-recover-'));
const FILE = join(folder, 'march.gz');
let pool: pg.Pool;
let drop: () => Promise<void>;
let old: string;
let head: { n: number; hash: string };

beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  // Before there is any line: the demo of a first of the month has lines of the month before.
  await openSince(pool, new Date('2026-02-01Z'));
  await loadDemo(pool, join(process.cwd(), 'demo'));
  await sealOld(pool);
  const [demo] = await readBatches(pool, K);
  if (!demo) throw new Error('no batch');
  old = randomUUID();
  const { events: _, ...like } = demo;
  const at = '2026-03-14T10:00:00.000Z';
  await writeBatch(
    pool,
    { ...like, id: old, kitchenId: K, startedAt: at, serveAt: null, receivedAt: at },
    false,
  );
  const line = (minute: number, body: BatchEvent['body']) => {
    const moment = `2026-03-14T10:${minute}:00.000Z`;
    return {
      batch: old,
      event: { id: randomUUID(), at: moment, receivedAt: moment, station: 'Opener', body },
      bounds: { ...UNBOUND, archived: true },
    };
  };
  await appendEvents(
    pool,
    [
      line(20, { kind: 'temperature', celsius: 88.25 }),
      line(30, { kind: 'note', text: 'ü' }),
      line(50, { kind: 'finished', goesTo: 'pass' }),
    ],
    false,
  );
  await sealRest(pool, K, null);
  head = await readHead(pool, K);
  await putAway(pool, '2026-03', FILE, LATER);
  await bringBack(pool, FILE);
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await drop();
});

const asOwner = async (work: () => Promise<unknown>, ...tables: readonly string[]) => {
  for (const t of tables) await pool.query(`ALTER TABLE ${t} DISABLE TRIGGER USER`);
  await work();
  for (const t of tables) await pool.query(`ALTER TABLE ${t} ENABLE TRIGGER USER`);
};
const events = async () => (await readBatch(pool, old))?.events.map((e) => [e.at, e.station, e.body]);

test('where nothing is lost nothing is done, and a head that was kept is borne out', async () => {
  const found = await recover(pool, FILE, [head, { n: 1, hash: 'x' }]);
  expect(found).toMatchObject({
    name: '2026-03',
    lines: 3,
    here: 3,
    back: 0,
    batchesBack: 0,
    linesMissing: 0,
  });
  expect(found.follow).toBeGreaterThan(1);
  expect(found.heads).toEqual([{ head, agrees: true }]);
  expect((await verifyRecord(pool, [head])).findings).toEqual([]);
});

test('lines somebody removed come back in their old places, and the chain is right again', async () => {
  const before = await events();
  await asOwner(() => pool.query('DELETE FROM batch_event WHERE batch_id = $1', [old]), 'batch_event');
  expect((await verifyRecord(pool, [])).findings.map((f) => f.finding.kind)).toEqual([
    'removed',
    'removed',
    'removed',
  ]);
  expect(await recover(pool, FILE, [])).toMatchObject({ here: 0, back: 3, batchesBack: 0 });
  expect(await events()).toEqual(before);
  expect((await verifyRecord(pool, [head])).findings).toEqual([]);
});

test('a database cut before the month has it again, batch and lines, sealed anew; what a head says of its old links is said', async () => {
  const before = await events();
  const { n } = (await pool.query('SELECT n FROM seal WHERE id = $1', [old])).rows[0];
  await asOwner(
    async () => {
      await pool.query('DELETE FROM seal WHERE n >= $1', [n]);
      await pool.query('DELETE FROM event_part_moved');
      await pool.query('DELETE FROM line_id WHERE id IN (SELECT id FROM batch_event WHERE batch_id = $1)', [
        old,
      ]);
      await pool.query('DELETE FROM batch_event WHERE batch_id = $1', [old]);
      await pool.query('DELETE FROM batch WHERE id = $1', [old]);
    },
    'seal',
    'batch_event',
    'batch',
    'event_part_moved',
    'line_id',
  );
  expect(await readBatch(pool, old)).toBeNull();
  expect(await recover(pool, FILE, [head])).toMatchObject({
    lines: 3,
    back: 3,
    batchesBack: 1,
    linesMissing: 0,
    heads: [{ agrees: true }],
  });
  expect(await events()).toEqual(before);
  expect((await verifyRecord(pool, [])).findings).toEqual([]);
});

test('a file in which a line was changed is refused, and nothing is put back', async () => {
  const text = gunzipSync(readFileSync(FILE)).toString('utf8');
  const changed = join(folder, 'changed.gz');
  writeFileSync(changed, gzipSync(text.replace('88.25', '68.25')));
  const count = async () => (await pool.query('SELECT count(*) FROM batch_event')).rows[0].count;
  const before = await count();
  await expect(recover(pool, changed, [])).rejects.toThrow(/does not follow|is not what the chain here has/);
  expect(await count()).toBe(before);
});

test('what is put away is not lost, and says how it comes back', async () => {
  const away = join(folder, 'away.gz');
  await putAway(pool, '2026-03', away, LATER);
  await expect(recover(pool, away, [])).rejects.toThrow(/put away, not lost: .*bring-back/);
});
