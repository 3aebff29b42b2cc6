import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { serve } from '../cli/app.mjs';
import { bar } from './kit/bar';
import { post } from './kit/client';
import { quantile } from './kit/stats';

/**
 * An event entered at one process until it is on the stream of another, against a row inserted and notified with
 * nothing of ours between.
 */
const { BASE_URL = '', DATABASE_URL = '' } = process.env;
const TIMES = 300;

const other = await serve({ mode: 'start', from: 3550, databaseUrl: DATABASE_URL });
const writer = new pg.Client({ connectionString: DATABASE_URL });
const listener = new pg.Client({ connectionString: DATABASE_URL });
await Promise.all([writer.connect(), listener.connect()]);
await writer.query('CREATE TABLE IF NOT EXISTS bench_told (id uuid PRIMARY KEY, body jsonb NOT NULL)');
const [{ id: batch }] = (await writer.query<{ id: string }>('SELECT id FROM batch LIMIT 1')).rows as [
  { id: string },
];

const waiting = new Map<string, () => void>();
const arrived = (id: string): void => waiting.get(id)?.();
const until = (id: string): Promise<void> => new Promise((resolve) => waiting.set(id, resolve));

await listener.query('LISTEN bench');
listener.on('notification', ({ payload }) => arrived(payload ?? ''));

const stream = await fetch(`${other.address}/api/live`);
// What is written before the other process listens is not told but read anew: it is waited for.
let listens = () => {};
const listening = new Promise<void>((resolve) => {
  listens = resolve;
});
void (async () => {
  const text = new TextDecoder();
  let rest = '';
  for await (const chunk of stream.body ?? []) {
    rest += text.decode(chunk as Uint8Array, { stream: true });
    const blocks = rest.split('\n\n');
    rest = blocks.pop() ?? '';
    for (const block of blocks) {
      if (block.startsWith('event: again')) listens();
      const id = /"event":\{"id":"([^"]+)"/.exec(block)?.[1];
      if (id) arrived(id);
    }
  }
})().catch(() => {});

const timed = async (send: (id: string) => Promise<unknown>): Promise<number> => {
  const id = randomUUID();
  const here = until(id);
  const from = performance.now();
  void send(id);
  await here;
  waiting.delete(id);
  return performance.now() - from;
};
const bare = (id: string) =>
  writer.query(
    "WITH row AS (INSERT INTO bench_told (id, body) VALUES ($1, '{}') RETURNING id) SELECT pg_notify('bench', id::text) FROM row",
    [id],
  );
const ours = (id: string) =>
  post(`${BASE_URL}/api/batches/${batch}/events`, {
    id,
    at: new Date().toISOString(),
    station: 'Bench',
    body: { kind: 'note', text: 'now' },
  });

await listening;
for (let n = 0; n < 100; n++) {
  await timed(bare);
  await timed(ours);
}
const took = { bare: [] as number[], ours: [] as number[] };
for (let n = 0; n < TIMES; n++) {
  took.bare.push(await timed(bare));
  took.ours.push(await timed(ours));
}
const at = (q: number) => quantile(took.ours, q) / quantile(took.bare, q);
bar(
  'an event from one process to a station on another ÷ a bare insert and notify: median',
  at(0.5),
  { atMost: 6 },
  `p99 ${at(0.99).toFixed(1)} ×; ${quantile(took.ours, 0.5).toFixed(1)} and ${quantile(took.bare, 0.5).toFixed(1)} ms here, p99 ${quantile(took.ours, 0.99).toFixed(1)} and ${quantile(took.bare, 0.99).toFixed(1)}`,
);
await writer.query('DROP TABLE bench_told');
await Promise.all([writer.end(), listener.end()]);
await other.stop();
process.exit();
