import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { appUrl } from '../cli/postgres.mjs';
import { gathered } from '../src/server/actions/gathered';
import { KitchenPool } from '../src/server/data/database';
import { inKitchen } from '../src/server/guard/asking';
import { UNBOUND } from '../src/server/queries/batches';
import { readFigures, writeGroup } from '../src/server/queries/kitchens';
import { bar } from './kit/bar';
import { post } from './kit/client';
import { growKitchens } from './kit/growKitchens';
import { quantile } from './kit/stats';

/**
 * One database with the kitchens of a large group in it: how long a tap, a page and the group’s figures take there, what a line costs in
 * bytes, how many taps a second it writes, and what planning costs in many parts. SCALE_ROWS says how many lines (two million where it is
 * not said); docs/scale.md has the figures for twenty.
 */
const { BASE_URL = '', DATABASE_URL = '' } = process.env;
const ROWS = Number(process.env.SCALE_ROWS ?? 2_000_000);
const KITCHENS = 2000;
const EACH = 60;
const TURNS = 200;
/** ms a tap may wait. */
const MOST = 250;

const owner = new pg.Pool({ connectionString: DATABASE_URL, max: 4 });
const app = new KitchenPool({ connectionString: appUrl(DATABASE_URL), max: 3 });
const one = async <T>(sql: string, values: readonly unknown[] = []): Promise<T> =>
  (await owner.query<{ v: T }>(sql, [...values])).rows[0]?.v as T;

/** ms each of so many turns takes. */
async function timed(turns: number, work: () => Promise<unknown>): Promise<readonly number[]> {
  const all: number[] = [];
  for (let n = 0; n < turns; n++) {
    const at = performance.now();
    await work();
    if (n >= turns / 10) all.push(performance.now() - at);
  }
  return all;
}
const told = (all: readonly number[]) =>
  `half ${quantile(all, 0.5).toFixed(1)} ms, 99 in 100 ${quantile(all, 0.99).toFixed(1)}, longest ${Math.max(...all).toFixed(1)}`;

const note = () => ({
  id: randomUUID(),
  at: new Date().toISOString(),
  station: 'Closer',
  body: { kind: 'note' as const, text: 'stirred' },
});
const own = await one<string>(
  'SELECT id AS v FROM batch WHERE over_at IS NULL ORDER BY started_at DESC LIMIT 1',
);
const day = new Date().toISOString().slice(0, 10);
const ASKED: Readonly<Record<string, () => Promise<unknown>>> = {
  'a tap': () => post(`${BASE_URL}/api/batches/${own}/events`, note()),
  'the rail': async () => (await fetch(`${BASE_URL}/api/rail`)).text(),
  'a batch': async () => (await fetch(`${BASE_URL}/api/batches/${own}`)).text(),
  'a day’s record': async () => (await fetch(`${BASE_URL}/api/record?from=${day}&to=${day}`)).text(),
  'the log': async () => (await fetch(`${BASE_URL}/api/log`)).text(),
};
async function measured(): Promise<ReadonlyMap<string, readonly number[]>> {
  const all = new Map<string, readonly number[]>();
  for (const [what, work] of Object.entries(ASKED)) all.set(what, await timed(TURNS, work));
  return all;
}

// The first turns warm what is asked for the first time.
await measured();
const before = await measured();
const from = performance.now();
const grown = await growKitchens(owner, { kitchens: KITCHENS, rows: ROWS, eventsEach: EACH });
console.log(
  `grown in ${((performance.now() - from) / 60_000).toFixed(1)} min: ${grown.batches} batches, ${grown.lines} lines`,
);

// What a line and a batch cost in bytes, indexes and all.
const size = (table: string) =>
  one<string>(
    `SELECT coalesce(sum(pg_total_relation_size(relid)), 0) AS v FROM pg_partition_tree('${table}') WHERE isleaf`,
  ).then(Number);
const [lines, seals, ids, batches] = [
  await size('batch_event'),
  Number(await one("SELECT pg_total_relation_size('seal') AS v")),
  Number(await one("SELECT pg_total_relation_size('line_id') AS v")),
  Number(await one("SELECT pg_total_relation_size('batch') AS v")),
];
const each = (bytes: number, of: number) => `${(bytes / of).toFixed(0)} B`;
console.log(
  `a line: ${each(lines, grown.lines)} itself, ${each(seals, grown.lines)} its link, ${each(ids, grown.lines)} its id; a batch: ${each(batches, grown.batches)}; all ${((lines + seals + ids + batches) / 1e9).toFixed(1)} GB`,
);

const after = await measured();
for (const [what, all] of after) {
  const was = before.get(what) ?? [];
  bar(
    `${what} beside ${(grown.lines / 1e6).toFixed(0)} million lines of ${KITCHENS} kitchens, ÷ beside none`,
    quantile(all, 0.5) / quantile(was, 0.5),
    { atMost: 1.5 },
    `${told(all)}; before ${told(was)}`,
  );
}
bar('the longest tap of those, ÷ 250 ms', Math.max(...(after.get('a tap') ?? [])) / MOST, { atMost: 1 });

// Taps of many kitchens at once, as the application writes them: each of its kitchen, sealed, and on disk when it is answered.
const living = (
  await owner.query<{ id: string; k: string }>(
    'SELECT DISTINCT ON (kitchen_id) id, kitchen_id AS k FROM batch ORDER BY kitchen_id, started_at DESC',
  )
).rows;
const SECONDS = 20;
const until = performance.now() + SECONDS * 1000;
const waits: number[] = [];
await Promise.all(
  Array.from({ length: 50 }, async (_, n) => {
    for (let k = n; performance.now() < until; k += 50) {
      const { id, k: kitchen } = living[k % living.length] ?? { id: '', k: '' };
      const at = performance.now();
      await inKitchen(kitchen, () => gathered(app, { batch: id, event: note(), bounds: UNBOUND }));
      waits.push(performance.now() - at);
    }
  }),
);
// A day of all of them, four fifths of it in six hours, and three times that at its height.
const DAY = (KITCHENS * 10 * EACH * 0.8 * 3) / (6 * 3600);
bar(
  `taps a second of ${living.length} kitchens in turn, fifty at once, by one process on three lines, ÷ the ${DAY.toFixed(0)} of their height`,
  waits.length / SECONDS / DAY,
  { atLeast: 1 },
  `${(waits.length / SECONDS).toFixed(0)} a second; ${told(waits)}`,
);

// What a group of fifty sees.
await writeGroup(owner, {
  id: 'fifty',
  name: 'Fifty',
  head: living[0]?.k ?? '',
  kitchens: living.slice(0, 50).map((l) => l.k),
});
const figures = await inKitchen(living[0]?.k ?? '', () => timed(20, () => readFigures(app, 28)));
bar('the figures of a group of fifty, ÷ 1 s', quantile(figures, 0.5) / 1000, { atMost: 1 }, told(figures));

// Planning in many parts: months of five years, each in so many by the hash of its kitchen.
for (const buckets of [1, 8, 16]) {
  await owner.query('DROP SCHEMA IF EXISTS planning CASCADE; CREATE SCHEMA planning');
  await owner.query(
    `CREATE TABLE planning.line (LIKE public.batch_event) PARTITION BY RANGE (received_at);
     CREATE INDEX ON planning.line (batch_id, seq);
     DO $$ BEGIN FOR m IN 0 .. 59 LOOP
       EXECUTE format('CREATE TABLE planning.m%s PARTITION OF planning.line FOR VALUES FROM (%L) TO (%L) ${buckets > 1 ? 'PARTITION BY HASH (kitchen_id)' : ''}',
         m, timestamptz '2026-01-01Z' + m * interval '1 month', timestamptz '2026-01-01Z' + (m + 1) * interval '1 month');
       ${buckets > 1 ? `FOR h IN 0 .. ${buckets - 1} LOOP EXECUTE format('CREATE TABLE planning.m%s_%s PARTITION OF planning.m%s FOR VALUES WITH (MODULUS ${buckets}, REMAINDER %s)', m, h, m, h); END LOOP;` : ''}
     END LOOP; END $$;`,
  );
  const planning = async (where: string) => {
    const client = await owner.connect();
    try {
      const took: number[] = [];
      for (let n = 0; n < 12; n++) {
        const { rows } = await client.query(
          `EXPLAIN (ANALYZE, FORMAT JSON) SELECT * FROM planning.line WHERE ${where} ORDER BY seq`,
        );
        const [{ 'Planning Time': p, 'Execution Time': e }] = rows[0]['QUERY PLAN'];
        if (n >= 2) took.push(p + e);
      }
      return quantile(took, 0.5);
    } finally {
      client.release();
    }
  };
  const id = "batch_id = '00000000-0000-4000-8000-000000000000'";
  const since = "received_at >= '2030-11-15Z'";
  console.log(
    `a batch’s lines in ${60 * buckets} empty parts: ${(await planning(id)).toFixed(2)} ms by its id alone, ${(await planning(`${id} AND kitchen_id = 'k'`)).toFixed(2)} by its kitchen too, ${(await planning(`${id} AND kitchen_id = 'k' AND ${since}`)).toFixed(2)} by both and since it began`,
  );
}
await owner.query('DROP SCHEMA planning CASCADE');
await Promise.all([owner.end(), app.end()]);
