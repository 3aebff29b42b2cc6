import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type pg from 'pg';
import type { BatchEvent } from '../../core/batch/events';
import { recordEvent } from '../actions/batches';
import { loadDemo } from '../data/demo/demo';
import { testDatabase } from '../data/testDatabase';
import { standsIn } from '../guard/asking';
import { readBatches, readInUse, readLiveBatches } from '../queries/batches';
import { type Moves, railMoved, railOf } from './rail';
import { keepRail, listenToRail, type RailNews, theRail, wholeRail } from './theRail';

let pool: pg.Pool;
let drop: () => Promise<void>;
let batch: string;
const K = 'quay-house';
/** How often the rail was worked out, by how. */
const worked: Record<string, number> = {};

beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  await loadDemo(pool, join(process.cwd(), 'demo'));
  batch = (await readBatches(pool, K))[0]?.id ?? '';
  standsIn(K);
  const { host, port, user, password, database } = pool.options;
  process.env.DATABASE_URL =
    pool.options.connectionString ?? `postgres://${user}:${password}@${host}:${port}/${database}`;
  // The thread’s work, done here.
  Object.assign(globalThis, {
    panacheWork: (name: string, input: unknown) => {
      worked[name] = (worked[name] ?? 0) + 1;
      return name === 'railMoved' ? railMoved(pool, input as Moves, Date.now()) : railOf(pool, Date.now());
    },
  });
});
let stopKeeping = () => {};
afterAll(() => {
  stopKeeping();
  return drop();
});

const event = (body: BatchEvent['body']): BatchEvent => ({
  id: randomUUID(),
  at: new Date().toISOString(),
  station: 'Closer',
  body,
});
const tap = async (body: BatchEvent['body']): Promise<BatchEvent> => {
  const e = event(body);
  await recordEvent(pool, batch, e);
  return e;
};
const isLive = async () => (await readLiveBatches(pool, K)).some((b) => b.id === batch);
const isInUse = async () => (await readInUse(pool, K)).some((b) => b.batchId === batch);
const ends = async () =>
  (
    await pool.query<{ over: boolean; off: boolean }>(
      'SELECT over_at IS NOT NULL AS over, off_stove_at IS NOT NULL AS off FROM batch WHERE id = $1',
      [batch],
    )
  ).rows[0];

describe('what is over is known on the batch itself', () => {
  test('to the pass: over, and its burner free; taken back, neither', async () => {
    expect(await ends()).toEqual({ over: false, off: false });
    const done = await tap({ kind: 'finished', goesTo: 'pass' });
    expect(await ends()).toEqual({ over: true, off: true });
    expect([await isLive(), await isInUse()]).toEqual([false, false]);
    await tap({ kind: 'withdrawn', event: done.id });
    expect(await ends()).toEqual({ over: false, off: false });
    expect([await isLive(), await isInUse()]).toEqual([true, true]);
  });

  test('to be held: alive, its burner free; cleared then, over; that taken back, held as before', async () => {
    const held = await tap({ kind: 'finished', goesTo: 'hold' });
    expect(await ends()).toEqual({ over: false, off: true });
    const cleared = await tap({ kind: 'cleared' });
    expect(await ends()).toEqual({ over: true, off: true });
    await tap({ kind: 'withdrawn', event: cleared.id });
    expect(await ends()).toEqual({ over: false, off: true });
    await tap({ kind: 'withdrawn', event: held.id });
    expect(await ends()).toEqual({ over: false, off: false });
  });

  test('ended and taken back at the same moment by two stations: what stands in the end is what is known', async () => {
    const first = await tap({ kind: 'finished', goesTo: 'bin' });
    await Promise.all([
      recordEvent(pool, batch, event({ kind: 'withdrawn', event: first.id })),
      recordEvent(pool, batch, event({ kind: 'finished', goesTo: 'pass' })),
    ]);
    expect(await ends()).toEqual({ over: true, off: true });
    const { rows } = await pool.query<{ id: string }>(
      `SELECT id FROM batch_event e WHERE batch_id = $1 AND body ->> 'goesTo' = 'pass' ORDER BY seq DESC LIMIT 1`,
      [batch],
    );
    await tap({ kind: 'withdrawn', event: rows[0]?.id ?? '' });
    expect(await ends()).toEqual({ over: false, off: false });
  });
});

test('a rail moved by each event is the rail read anew', async () => {
  const quiet: Moves = { anew: false, told: [], kept: false };
  const now = Date.now() + 60_000;
  await railMoved(pool, { ...quiet, anew: true }, now);
  const bodies: BatchEvent['body'][] = [
    { kind: 'temperature', celsius: 71 },
    { kind: 'timer-started', name: 'stock', seconds: 600 },
    { kind: 'step-done', step: 5 },
    { kind: 'finished', goesTo: 'pass' },
  ];
  for (const body of bodies) {
    const e = await tap(body);
    const moved = await railMoved(pool, { ...quiet, told: [{ batch, event: e }] }, now);
    expect(moved).toEqual(await railOf(pool, now));
    expect(moved.some((t) => t.id === batch)).toBe(body.kind !== 'finished');
    if (body.kind === 'finished') {
      const back = await tap({ kind: 'withdrawn', event: e.id });
      const again = await railMoved(pool, { ...quiet, told: [{ batch, event: back }] }, now);
      expect(again).toEqual(await railOf(pool, now));
      expect(again.some((t) => t.id === batch)).toBe(true);
    }
  }
});

test('the rail is worked out once a process and told by what changes; a steady stream is let through, the last of it too', async () => {
  stopKeeping = keepRail();
  while (!wholeRail()) await new Promise((r) => setTimeout(r, 20));
  const told: RailNews[] = [];
  const stop = listenToRail((news) => told.push(news));
  const before = worked.railMoved ?? 0;
  const names = Array.from({ length: 30 }, (_, n) => `timer ${n}`);
  const midway: number[] = [];
  for (const name of names) {
    await tap({ kind: 'timer-started', name, seconds: 600 });
    await new Promise((r) => setTimeout(r, 25));
    midway.push(told.length);
  }
  const namesIn = (news: RailNews | undefined) =>
    news?.tickets.find((t) => t.id === batch)?.timers.map((t) => t.name) ?? [];
  for (const until = Date.now() + 5000; Date.now() < until; ) {
    if (namesIn(told.at(-1)).includes('timer 29')) break;
    await new Promise((r) => setTimeout(r, 20));
  }
  stop();
  // While it went on, and not once for each tap.
  expect(midway.at(-1)).toBeGreaterThan(2);
  expect((worked.railMoved ?? 0) - before).toBeLessThan(names.length);
  expect(namesIn(told.at(-1))).toEqual(expect.arrayContaining(names));
  // Only the ticket that changed is told; the order names all.
  expect(told.at(-1)?.tickets.map((t) => t.id)).toEqual([batch]);
  expect(told.at(-1)?.order.length).toBeGreaterThan(1);
  // Who asks then is answered from what is kept.
  const runs = { ...worked };
  expect((await theRail()).map((t) => t.id)).toEqual(told.at(-1)?.order);
  expect(worked).toEqual(runs);
});
