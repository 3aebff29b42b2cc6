import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import type pg from 'pg';
import type { Batch } from '../../../core/batch/record';
import type { Lesson } from '../../../core/learn/own/batch/lesson';
import type { Knowledge } from '../../../core/learn/own/knowledge';
import type { Did, LearnedNumbers } from '../../../core/learn/own/teach';
import type { Logged } from '../../../core/log/logged';
import { DAY_MS } from '../../../core/units/moment';
import { appendEvents, UNBOUND, writeBatch } from '../../queries/batches';
import { writeLearned, writeLesson, writeLogged } from '../../queries/log';

/** Three months of the canteen as checks/writeHistory cooked them. */
type History = {
  readonly batches: readonly Batch[];
  readonly logged: readonly Logged[];
  readonly lessons: readonly { readonly lesson: Lesson; readonly did: Did }[];
  readonly learned: { readonly knowledge: Knowledge; readonly own: LearnedNumbers };
};

const MOMENT = /\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d+)?Z/g;

/** The history with all its moments so many whole days later that its last is yesterday’s, or the day before. */
function untilYesterday(text: string): History {
  const last = Math.max(...[...text.matchAll(MOMENT)].map(([m]) => Date.parse(m)));
  const days = Math.floor((Date.now() - DAY_MS - last) / DAY_MS);
  return JSON.parse(text.replace(MOMENT, (m) => new Date(Date.parse(m) + days * DAY_MS).toISOString()));
}

/** Puts three months of batches into the demo’s kitchen, with what was learned from them. */
export async function loadHistory(db: pg.PoolClient, kitchenId: string, folder: string): Promise<void> {
  const text = gunzipSync(await readFile(join(folder, 'history.json.gz'))).toString();
  const { batches, logged, lessons, learned } = untilYesterday(text);
  for (const batch of batches) {
    await writeBatch(db, { ...batch, kitchenId, receivedAt: batch.startedAt });
    await appendEvents(
      db,
      batch.events.map((event) => ({
        batch: batch.id,
        event: { ...event, receivedAt: event.at > batch.startedAt ? event.at : batch.startedAt },
        bounds: { ...UNBOUND, archived: true },
      })),
    );
  }
  for (const one of logged) await writeLogged(db, kitchenId, one);
  for (const { lesson, did } of lessons) await writeLesson(db, kitchenId, lesson, did);
  await writeLearned(db, kitchenId, { ...learned, byHand: { fixed: {}, forgotten: {} }, anew: false });
  // It is logged already.
  await db.query('DELETE FROM to_log WHERE kitchen_id = $1', [kitchenId]);
}
