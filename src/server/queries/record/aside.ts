import { randomUUID } from 'node:crypto';
import type pg from 'pg';
import { hashOf } from '../../../core/record/chain';
import { transaction } from '../../data/database';
import { seal } from './seals';

type Second = {
  readonly id: string;
  readonly batch: string;
  readonly part: string;
  readonly seq: string;
  readonly row: object;
};

/**
 * Takes out of the record, whole and into quarantine, each line under an id another has: the one the chain speaks of stays, of those it
 * does not, the first. Nothing of it can be sealed, and it would stop the sealing of all else. Run as the owner. Returns how many.
 */
export async function setAside(pool: pg.Pool): Promise<number> {
  return transaction(async (db) => {
    const { rows } = await db.query<Second & { readonly sealed: string | null }>(
      `SELECT e.id, e.batch_id AS batch, e.tableoid::regclass::text AS part, e.seq, event_row(e) AS row,
         (SELECT s.row FROM seal s WHERE s.source = 'batch_event' AND s.id = e.id) AS sealed
       FROM batch_event e WHERE e.id IN (SELECT id FROM batch_event GROUP BY id HAVING count(*) > 1)
       ORDER BY e.id, e.received_at, e.seq`,
    );
    const stays = new Map<string, Second>();
    for (const line of rows)
      if (!stays.has(line.id) || hashOf(line.row) === line.sealed) stays.set(line.id, line);
    const aside = rows.filter((line) => stays.get(line.id)?.seq !== line.seq);
    for (const { id, batch, part, seq, row } of aside) {
      await db.query(
        "INSERT INTO quarantine (source, id, batch_id, row) VALUES ('batch_event', $1, $2, $3::jsonb)",
        [id, batch, JSON.stringify(row)],
      );
      await db.query(`ALTER TABLE ${part} DISABLE TRIGGER append_only`);
      await db.query(`DELETE FROM ${part} WHERE id = $1 AND seq = $2`, [id, seq]);
      await db.query(`ALTER TABLE ${part} ENABLE TRIGGER append_only`);
    }
    return aside.length;
  }, pool);
}

/** What {@link mend} came to: lines written again under an id of their own, and those that only said once more what stands. */
export type Mended = { readonly again: number; readonly same: number };

/**
 * Puts what stands aside back into the record: under an id of its own, received and sealed now, where it says something else than the
 * line that stands; else only noted as the same. Run as the owner.
 */
export async function mend(pool: pg.Pool): Promise<Mended> {
  return transaction(async (db) => {
    const { rows } = await db.query<{
      n: string;
      id: string;
      batch_id: string;
      kitchen: string;
      differs: boolean;
    }>(
      `SELECT q.n, q.id, q.batch_id, b.kitchen_id AS kitchen,
         NOT EXISTS (SELECT 1 FROM batch_event e WHERE e.id = q.id AND e.batch_id = q.batch_id
           AND e.body = q.row -> 'body' AND e.station = q.row ->> 'station'
           AND e.at = (q.row ->> 'at')::timestamp AT TIME ZONE 'UTC') AS differs
       FROM quarantine q JOIN batch b ON b.id = q.batch_id WHERE q.mended_as IS NULL ORDER BY q.n FOR UPDATE OF q`,
    );
    let again = 0;
    for (const { n, id, batch_id, kitchen, differs } of rows) {
      const mendedAs = differs ? randomUUID() : id;
      if (differs) {
        await db.query(
          `INSERT INTO batch_event (id, batch_id, at, station, body, clock_ms, batch_started_at, via)
           SELECT $2, b.id, (q.row ->> 'at')::timestamp AT TIME ZONE 'UTC', q.row ->> 'station', q.row -> 'body',
             (q.row ->> 'clock')::bigint, b.started_at, q.row -> 'via'
           FROM quarantine q JOIN batch b ON b.id = q.batch_id WHERE q.n = $1`,
          [n, mendedAs],
        );
        await seal(db, kitchen, [{ source: 'batch_event', ids: [mendedAs] }]);
        again += 1;
      }
      await db.query(
        'UPDATE quarantine SET mended_as = $2, mended_at = now() WHERE n = $1 AND batch_id = $3',
        [n, mendedAs, batch_id],
      );
    }
    return { again, same: rows.length - again };
  }, pool);
}
