import { randomUUID } from 'node:crypto';
import { Agent, get } from 'node:http';
import pg from 'pg';
import { bar } from './kit/bar';
import { post } from './kit/client';
import { quantile } from './kit/stats';

/** Two hundred screens that listen, ten taps a second: how long until each tap is on a screen, against a kitchen with one screen. */
const { BASE_URL = '', DATABASE_URL = '' } = process.env;
const STATIONS = 200;
const SECONDS = 20;
const A_SECOND = 10;

const db = new pg.Client({ connectionString: DATABASE_URL });
await db.connect();
const { rows } = await db.query<{ id: string }>(
  'SELECT id FROM batch WHERE over_at IS NULL ORDER BY started_at DESC LIMIT 1',
);
const batch = rows[0]?.id ?? '';
await db.end();

const agent = new Agent({ keepAlive: true, maxSockets: Number.POSITIVE_INFINITY });
const heard = new Map<string, (at: number) => void>();
let tickets = 0;
let bytes = 0;

/** A screen as the stream sees it; the first reads what it hears, the others only take it. */
const station = (reads: boolean): Promise<() => void> =>
  new Promise((resolve, reject) => {
    const request = get(`${BASE_URL}/api/live`, { agent }, (response) => {
      let rest = '';
      response.on('data', (chunk: Buffer) => {
        bytes += chunk.byteLength;
        if (!reads) return;
        rest += chunk.toString('utf8');
        const blocks = rest.split('\n\n');
        rest = blocks.pop() ?? '';
        for (const block of blocks) {
          if (block.startsWith('event: ticket')) tickets++;
          const id = /"event":\{"id":"([^"]+)"/.exec(block)?.[1];
          if (id) heard.get(id)?.(performance.now());
        }
      });
      resolve(() => request.destroy());
    });
    request.on('error', reject);
  });

/** Delays of taps, ms: until answered, and until the screen that reads has been told. */
async function taps() {
  const told: number[] = [];
  const answered: number[] = [];
  const under: Promise<unknown>[] = [];
  for (let n = 0; n < SECONDS * A_SECOND; n++) {
    const id = randomUUID();
    const from = performance.now();
    under.push(
      new Promise<void>((resolve) => {
        heard.set(id, (at) => {
          told.push(at - from);
          heard.delete(id);
          resolve();
        });
      }),
      post(`${BASE_URL}/api/batches/${batch}/events`, {
        id,
        at: new Date().toISOString(),
        station: 'Bench',
        body: n % 3 ? { kind: 'note', text: 'stirred' } : { kind: 'temperature', celsius: 80 + (n % 10) },
      }).then(() => answered.push(performance.now() - from)),
    );
    await new Promise((r) => setTimeout(r, 1000 / A_SECOND));
  }
  await Promise.race([Promise.all(under), new Promise((r) => setTimeout(r, 5000))]);
  return { told, answered };
}

const stop = [await station(true)];
await new Promise((r) => setTimeout(r, 1500));
const alone = await taps();
for (let n = 1; n < STATIONS; n++) stop.push(await station(false));
await new Promise((r) => setTimeout(r, 1500));
tickets = 0;
const all = await taps();
if (all.told.length < SECONDS * A_SECOND) throw new Error(`only ${all.told.length} taps were told`);
const p99 = quantile(all.told, 0.99);
bar(
  `${STATIONS} stations, ${A_SECOND} taps a second: a tap until it is on another screen, p99 ÷ 50 ms`,
  p99 / 50,
  { atMost: 1 },
  `p50 ${quantile(all.told, 0.5).toFixed(1)}, p99 ${p99.toFixed(1)} ms; answered p99 ${quantile(all.answered, 0.99).toFixed(1)} ms; with one screen p99 ${quantile(alone.told, 0.99).toFixed(1)} ms; ${(bytes / 1e6).toFixed(1)} MB told`,
);
bar('changes of the rail told ÷ taps: never none, never one for each', tickets / (SECONDS * A_SECOND), {
  atLeast: 0.2,
});
for (const s of stop) s();
process.exit();
