import pg from 'pg';
import { bar } from './kit/bar';
import { FOURTH_YEAR, grow, THREE_YEARS } from './kit/grow';
import { quantile } from './kit/stats';

/** Every route on the demo alone, with three years of a busy kitchen beside it, and with a year more. */
const { BASE_URL = '', DATABASE_URL = '' } = process.env;
const TURNS = 25;

/** Each route, and how many times as long it may take with a million events, twenty thousand batches and five hundred recipes. */
const ROUTES: readonly (readonly [path: string, most: number])[] = [
  ['/api/rail', 1.3],
  ['/recipes', 1.5],
  ['/plan', 1.3],
  ['/compare', 1.5],
  ['/service', 1.5],
  ['/stove', 1.3],
  ['/check', 1.3],
  ['/fix', 1.3],
  ['/keep', 1.3],
  ['/keep?face=record', 1.3],
  ['/kitchen', 1.3],
  ['/record', 1.3],
  ['/recipes/cockle-and-leek-chowder', 1.3],
  ['/recipes/cockle-and-leek-chowder/versions', 1.3],
  ['/api/services/open', 1.3],
  ['/log', 1.5],
  ['/api/log?find=velout%C3%A9+closer', 1.5],
  ['/api/log?find=slurry', 1.5],
  ['/log/knows', 1.5],
  ['/log/predicts', 1.5],
  [`/log/${await aBatch()}`, 1.5],
];

/** A batch of the demo’s own three months. */
async function aBatch(): Promise<string> {
  const { batches } = (await (await fetch(`${BASE_URL}/api/log`)).json()) as {
    batches: readonly { id: string }[];
  };
  return batches[9]?.id ?? '';
}

/** ms each route takes, median, asked turn by turn. */
async function measured(): Promise<ReadonlyMap<string, number>> {
  const took = new Map<string, number[]>(ROUTES.map(([path]) => [path, []]));
  for (let n = 0; n < TURNS; n++)
    for (const [path] of ROUTES) {
      const at = performance.now();
      const response = await fetch(BASE_URL + path, { redirect: 'manual' });
      await response.text();
      // The first turns warm what is asked for the first time.
      if (n >= 5) took.get(path)?.push(performance.now() - at);
    }
  return new Map([...took].map(([path, all]) => [path, quantile(all, 0.5)]));
}

/** Waits until where every recipe lands is worked out: that is done once. */
async function landed(): Promise<number> {
  const from = performance.now();
  for (;;) {
    const { recipes } = (await (await fetch(`${BASE_URL}/api/recipes/list`)).json()) as {
      recipes: readonly { landing: unknown }[];
    };
    if (recipes.every((r) => r.landing !== null)) return (performance.now() - from) / 1000;
  }
}

const db = new pg.Pool({ connectionString: DATABASE_URL });
const counted = async () => {
  const { rows } = await db.query<{ events: string; size: string }>(
    'SELECT (SELECT count(*) FROM batch_event) AS events, pg_size_pretty(pg_database_size(current_database())) AS size',
  );
  return `${rows[0]?.events} events, ${rows[0]?.size}`;
};
await landed();
const small = await measured();
const before = performance.now();
await grow(db, THREE_YEARS);
console.log(`grown in ${((performance.now() - before) / 1000).toFixed(0)} s: ${await counted()}`);
console.log(
  `where all its recipes land, worked out once in ${(await landed()).toFixed(0)} s beside everything else`,
);
const grown = await measured();
await grow(db, FOURTH_YEAR);
console.log(`a year more: ${await counted()}`);
const more = await measured();
for (const [path, most] of ROUTES) {
  const [a, b, c] = [small.get(path) ?? 0, grown.get(path) ?? 0, more.get(path) ?? 0];
  bar(`${path}, grown ÷ small`, b / a, { atMost: most }, `${b.toFixed(1)} and ${a.toFixed(1)} ms here`);
  // A millisecond is what the machine itself moves by.
  bar(`${path}, a year more ÷ without`, (c + 1) / (b + 1), { atMost: 1.1 }, `${c.toFixed(1)} ms`);
}

/** The whole archive sent, while the health of the server is asked for all the time. */
const memory = async () =>
  ((await (await fetch(`${BASE_URL}/api/health`)).json()) as { memoryMb: number }).memoryMb;
const base = await memory();
let peak = base;
let sending = true;
const waits: number[] = [];
const asking = (async () => {
  while (sending) {
    const at = performance.now();
    peak = Math.max(peak, await memory());
    waits.push(performance.now() - at);
    await new Promise((r) => setTimeout(r, 20));
  }
})();
const at = performance.now();
let bytes = 0;
const archive = await fetch(`${BASE_URL}/api/archive`);
for await (const chunk of archive.body ?? []) bytes += (chunk as Uint8Array).byteLength;
const seconds = (performance.now() - at) / 1000;
sending = false;
await asking;
bar(
  'the archive of more than a million events: the longest /api/health waited meanwhile, ÷ 100 ms',
  Math.max(...waits) / 100,
  { atMost: 1 },
  `${(bytes / 1e6).toFixed(0)} MB in ${seconds.toFixed(0)} s`,
);
bar('memory at its most ÷ before', peak / base, { atMost: 1.5 }, `${peak} and ${base} MB`);
await db.end();
process.exit();
