import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { makeBackup, restoreBackup } from '../src/server/data/backup';
import { bar } from './kit/bar';
import { post } from './kit/client';
import { grow, THREE_YEARS } from './kit/grow';
import { quantile } from './kit/stats';

/** Three years of a kitchen put away in a file and restored beside it, while a station taps ten times a second. */
const { BASE_URL = '', DATABASE_URL = '' } = process.env;
/** ms a tap may wait while a backup is made. */
const MOST = 250;

const db = new pg.Pool({ connectionString: DATABASE_URL, max: 2 });
await grow(db, THREE_YEARS);
const [{ id: batch } = { id: '' }] = (
  await db.query<{ id: string }>('SELECT id FROM batch WHERE over_at IS NULL LIMIT 1')
).rows;

/** Taps until `work` is done: how long each waited, ms. */
async function tapped<T>(
  work: () => Promise<T>,
): Promise<{ readonly came: T; readonly waits: readonly number[]; readonly seconds: number }> {
  const waits: number[] = [];
  let over = false;
  const tapping = (async () => {
    while (!over) {
      const at = performance.now();
      await post(`${BASE_URL}/api/batches/${batch}/events`, {
        id: randomUUID(),
        at: new Date().toISOString(),
        station: 'Closer',
        body: { kind: 'note', text: 'meanwhile' },
      });
      waits.push(performance.now() - at);
      await new Promise((r) => setTimeout(r, 100));
    }
  })();
  const from = performance.now();
  const came = await work();
  over = true;
  await tapping;
  return { came, waits, seconds: (performance.now() - from) / 1000 };
}

const folder = mkdtempSync(join(tmpdir(), 'panache-bench-backup-'));
const file = join(folder, 'house.tar');
try {
  const alone = await tapped(() => new Promise((r) => setTimeout(r, 10_000)));
  const made = await tapped(() => makeBackup(DATABASE_URL, file));
  const worst = (waits: readonly number[]) => Math.max(...waits);
  const { counts } = made.came;
  bar(
    `a backup of ${counts.batch_event} events made: the longest tap waited meanwhile, ÷ ${MOST} ms`,
    worst(made.waits) / MOST,
    { atMost: 1 },
    `${(statSync(file).size / 1e6).toFixed(0)} MB in ${made.seconds.toFixed(0)} s; of ${made.waits.length} taps half waited ${quantile(made.waits, 0.5).toFixed(0)} ms, 99 in 100 ${quantile(made.waits, 0.99).toFixed(0)}, the longest ${worst(made.waits).toFixed(0)}; with nothing beside ${quantile(alone.waits, 0.5).toFixed(0)}, ${quantile(alone.waits, 0.99).toFixed(0)}, ${worst(alone.waits).toFixed(0)}`,
  );
  const at = new URL(DATABASE_URL);
  at.pathname = `${at.pathname}_restored`;
  const back = await tapped(() => restoreBackup(at.href, file));
  bar(
    `and restored, each line of its record followed: the longest tap waited meanwhile, ÷ ${MOST} ms`,
    worst(back.waits) / MOST,
    { atMost: 1 },
    `${back.seconds.toFixed(0)} s, ${back.came.followed.lines} lines followed; 99 in 100 taps ${quantile(back.waits, 0.99).toFixed(0)} ms, the longest ${worst(back.waits).toFixed(0)}`,
  );
  await db.query(`DROP DATABASE "${at.pathname.slice(1)}" WITH (FORCE)`);
} finally {
  rmSync(folder, { recursive: true, force: true });
  await db.end();
}
