import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type pg from 'pg';
import { type Line, proxyTo, through } from '../../drill/proxy';
import { recordEvent } from './actions/batches';
import { gathered } from './actions/gathered';
import { isAway, limited, pool as poolFor, reached, transaction } from './data/database';
import { loadDemo } from './data/demo/demo';
import { refusal, testDatabase } from './data/testDatabase';
import { type LiveTold, listen } from './live/live';
import { readBatches, UNBOUND } from './queries/batches';
import { answered, type Refusal } from './refusal';

/** A database behind a line that can be made to misbehave, as the application has it. */
let own: pg.Pool;
let drop: () => Promise<void>;
let line: Line;
let batch: string;

beforeAll(async () => {
  ({ pool: own, drop } = await testDatabase());
  await loadDemo(own, join(process.cwd(), 'demo'));
  batch = (await readBatches(own, 'quay-house'))[0]?.id ?? '';
  const address = own.options.connectionString ?? '';
  line = await proxyTo(Number(new URL(address).port));
  process.env.DATABASE_URL = through(address, line);
});
afterAll(async () => {
  await Promise.all((['pages', 'saves', 'taps', 'health'] as const).map((use) => poolFor(use).end()));
  await line.close();
  await drop();
});
afterEach(() => line.set('none'));

const note = () => ({
  id: randomUUID(),
  at: new Date().toISOString(),
  station: 'Closer',
  body: { kind: 'note' as const, text: 'so it goes' },
});
const tap = () => recordEvent(poolFor('taps'), batch, note());
const outcome = async (work: Promise<unknown>) => (await answered(async () => ({ body: await work }))).status;

test('nobody there: 503 with when to try again, never an error of ours; and back when it is', async () => {
  expect((await tap()).isNew).toBe(true);
  line.set('refused');
  const answer = await answered(async () => ({ body: await tap() }));
  expect(answer).toMatchObject({ status: 503, headers: { 'retry-after': '2' } });
  expect((await reached()).ok).toBe(false);
  line.set('none');
  expect((await tap()).isNew).toBe(true);
  expect((await reached()).ok).toBe(true);
});

test('a line that is dead and does not say so holds nobody for more than its limit', async () => {
  await tap();
  line.set('silent');
  const taps = await Promise.all(Array.from({ length: 30 }, () => outcome(tap())));
  expect(new Set(taps)).toEqual(new Set([503]));
  expect((await reached()).ok).toBe(false);
  line.set('none');
  line.cut();
  expect((await tap()).isNew).toBe(true);
}, 40_000);

test('a slow line is only slow', async () => {
  line.set('slow', 120);
  expect((await tap()).isNew).toBe(true);
});

test('saves behind a lock that nobody gives up leave taps and health alone, and end by themselves', async () => {
  const held = await own.connect();
  await held.query('BEGIN');
  await held.query('SELECT * FROM kitchen FOR UPDATE');
  const saves = Array.from({ length: 12 }, () =>
    outcome(transaction((db) => db.query('UPDATE kitchen SET id = id'))),
  );
  await new Promise((r) => setTimeout(r, 300));
  expect((await tap()).isNew).toBe(true);
  expect((await reached()).ok).toBe(true);
  expect(new Set(await Promise.all(saves))).toEqual(new Set([503]));
  await held.query('ROLLBACK');
  held.release();
}, 40_000);

test('a connection cut in a transaction costs that one, and the next is a new one', async () => {
  const work = transaction(async (db) => {
    await db.query('SELECT 1');
    line.cut();
    await db.query('SELECT 2');
  });
  expect(await outcome(work)).toBe(503);
  expect((await transaction((db) => db.query('SELECT 3 AS x'))).rows).toEqual([{ x: 3 }]);
});

test('one that listens silently dead is noticed, and what was missed is read anew', async () => {
  const told: LiveTold[] = [];
  const stop = listen(null, (t) => told.push(t));
  const until = async (enough: () => boolean) => {
    for (const end = Date.now() + 25_000; Date.now() < end && !enough(); )
      await new Promise((r) => setTimeout(r, 50));
    expect(enough()).toBe(true);
  };
  await until(() => told.includes('again'));
  line.set('silent');
  await recordEvent(own, batch, note());
  await new Promise((r) => setTimeout(r, 500));
  expect(told).toEqual(['again']);
  // The heartbeat finds it dead; the next line is made and says to read anew.
  await new Promise((r) => setTimeout(r, 8500));
  line.set('none');
  await until(() => told.length === 2);
  expect(told).toEqual(['again', 'again']);
  const last = note();
  await recordEvent(own, batch, last);
  await until(() => told.length === 3);
  expect(told[2]).toMatchObject({ batch, event: { id: last.id } });
  stop();
}, 60_000);

test('away is asked once for all that wait, what is wrong with one costs only that one', async () => {
  const failing = (code: string) => {
    const db = {
      asked: 0,
      query: () => {
        db.asked++;
        return Promise.reject(Object.assign(new Error('x'), { code }));
      },
    };
    return db;
  };
  const all = (db: { query: unknown }) =>
    Promise.allSettled(
      Array.from({ length: 21 }, () =>
        gathered(db as unknown as pg.Pool, { batch, event: note(), bounds: UNBOUND }),
      ),
    );
  const gone = failing('ECONNREFUSED');
  expect((await all(gone)).every((r) => r.status === 'rejected')).toBe(true);
  expect(gone.asked).toBe(2);
  const choosy = failing('22021');
  await all(choosy);
  expect(choosy.asked).toBe(1 + 1 + 20);
});

test('taps that wait behind a database that does not keep up are told to come again', async () => {
  const slow = { query: () => new Promise((r) => setTimeout(r, 4300, { rows: [] })) } as unknown as pg.Pool;
  const draft = () => ({ batch, event: note(), bounds: UNBOUND });
  const first = gathered(slow, draft());
  const [second] = await Promise.all([refusal(gathered(slow, draft())), first]);
  expect((second as Refusal).status).toBe(503);
  // And of too many the last.
  const many = { query: () => new Promise((r) => setTimeout(r, 200, { rows: [] })) } as unknown as pg.Pool;
  const waiting = Array.from({ length: 2002 }, () => gathered(many, draft()).catch((e) => e.status));
  expect((await waiting[2001]) as unknown).toBe(503);
}, 40_000);

describe('what counts as away', () => {
  test.each([
    [{ code: 'ECONNREFUSED' }, true],
    [{ code: '57P01' }, true],
    [{ code: '57014' }, true],
    [{ code: '55P03' }, true],
    [{ code: '25006' }, true],
    [{ code: '53100' }, true],
    [{ code: '23505' }, false],
    [{ code: '22021' }, false],
    [{ code: '42501' }, false],
  ])('%j: %s', (more, away) => {
    expect(isAway(Object.assign(new Error('x'), more))).toBe(away);
    expect(isAway(new Error('around it', { cause: Object.assign(new Error('x'), more) }))).toBe(away);
  });
  test('every wait is limited', () => {
    for (const use of ['pages', 'saves', 'taps', 'health', 'archive'] as const) {
      const {
        statement_timeout,
        query_timeout,
        lock_timeout,
        connectionTimeoutMillis,
        idle_in_transaction_session_timeout,
      } = limited('postgres://x', use);
      expect(Number(query_timeout)).toBeGreaterThan(Number(statement_timeout));
      for (const wait of [
        statement_timeout,
        lock_timeout,
        connectionTimeoutMillis,
        idle_in_transaction_session_timeout,
      ])
        expect(Number(wait)).toBeGreaterThan(0);
    }
  });
});
