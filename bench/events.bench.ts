import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { bar } from './kit/bar';
import { post } from './kit/client';
import { quantile } from './kit/stats';

/** Writing an event over the route against a bare insert of the same row, many at once, turn by turn. */
const { BASE_URL = '', DATABASE_URL = '' } = process.env;
const AT_ONCE = 8;
const EACH = 800;
const TURNS = 5;

const pool = new pg.Pool({ connectionString: DATABASE_URL, max: AT_ONCE });
await pool.query(
  'CREATE TABLE IF NOT EXISTS bench_event (id uuid PRIMARY KEY, batch_id uuid NOT NULL, seq bigint GENERATED ALWAYS AS IDENTITY, at timestamptz NOT NULL, received_at timestamptz NOT NULL DEFAULT now(), station text NOT NULL, body jsonb NOT NULL)',
);
const [{ id: batch }] = (await pool.query<{ id: string }>('SELECT id FROM batch LIMIT 1')).rows as [
  { id: string },
];
const body = { kind: 'note', text: 'a pinch more salt' };

const bare = async (): Promise<void> => {
  await pool.query({
    name: 'bare',
    text: 'INSERT INTO bench_event (id, batch_id, at, station, body) VALUES ($1, $2, $3, $4, $5::jsonb)',
    values: [randomUUID(), batch, new Date().toISOString(), 'Bench', JSON.stringify(body)],
  });
};
const route = async (): Promise<void> => {
  const status = await post(`${BASE_URL}/api/batches/${batch}/events`, {
    id: randomUUID(),
    at: new Date().toISOString(),
    station: 'Bench',
    body,
  });
  if (status !== 201) throw new Error(`the route answered ${status}`);
};

/** Writes `EACH` events, `AT_ONCE` at a time: events a second, and how long each took, ms. */
async function run(write: () => Promise<void>): Promise<{ rate: number; took: number[] }> {
  const took: number[] = [];
  let left = EACH;
  const from = performance.now();
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      while (left-- > 0) {
        const at = performance.now();
        await write();
        took.push(performance.now() - at);
      }
    }),
  );
  return { rate: (EACH / (performance.now() - from)) * 1000, took };
}

// Both are warm before they are timed.
for (let n = 0; n < 8; n++) {
  await run(route);
  await run(bare);
}
const all = { route: [] as number[], bare: [] as number[] };
const rates = { route: [] as number[], bare: [] as number[] };
for (let turn = 0; turn < TURNS; turn++) {
  for (const [name, write] of [
    ['bare', bare],
    ['route', route],
  ] as const) {
    const { rate, took } = await run(write);
    rates[name].push(rate);
    all[name].push(...took);
  }
}
const ratio = quantile(rates.route, 0.5) / quantile(rates.bare, 0.5);
const p99 = quantile(all.route, 0.99) / quantile(all.bare, 0.99);
bar(
  `writing an event, ${AT_ONCE} at a time, ÷ a bare insert: throughput`,
  ratio,
  { atLeast: 0.05 },
  `each sealed with the one before and settled on its batch, p99 ${p99.toFixed(1)} × (${quantile(rates.route, 0.5).toFixed(0)} and ${quantile(rates.bare, 0.5).toFixed(0)} a second here)`,
);
await pool.query('DROP TABLE bench_event');
await pool.end();
