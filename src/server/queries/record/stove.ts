import { BatchEvent } from '../../../core/batch/events';
import type { StoveReading } from '../../../core/keep/written/entries';
import type { Queryable } from '../../data/database';
import { type LineRow, readable } from './lines';

/** Most readings of the stove in one record. */
const MOST_READINGS = 20_000;

type StoveRow = LineRow & { readonly batch: string; readonly name: string };

const LINES = `SELECT e.id, b.id AS batch, b.plan ->> 'recipeName' AS name, e.at, e.received_at, e.station, e.clock_ms, e.body, e.via, b.brought_by IS NOT NULL AS brought
     FROM batch_event e`;

/** Temperatures read on the stove, those taken back too, with the lines that took them back; and when the first was that is too many. */
export async function readStove(
  db: Queryable,
  kitchenId: string,
  from: string,
  to: string,
): Promise<{ readonly readings: readonly StoveReading[]; readonly next: Date | null }> {
  const { rows: found } = await db.query<StoveRow>(
    `${LINES} JOIN kept_batch b ON b.id = e.batch_id
     WHERE b.kitchen_id = $1 AND e.at >= $2 AND e.at < $3
       AND e.received_at >= $2::timestamptz - interval '1 day' AND e.body ->> 'kind' = 'temperature' ORDER BY e.at, e.id LIMIT $4`,
    [kitchenId, from, to, MOST_READINGS + 1],
  );
  const next = found[MOST_READINGS]?.at ?? null;
  const rows = found.slice(0, MOST_READINGS);
  if (rows.length === 0) return { readings: [], next: null };
  const batches = [...new Set(rows.map((r) => r.batch))];
  const [gone, backs] = await Promise.all([
    db.query<{ ids: string[] }>(
      'SELECT taken_back(id, first_line_of(received_at, started_at)) AS ids FROM batch WHERE id = ANY($1::uuid[])',
      [batches],
    ),
    db.query<StoveRow>(
      `${LINES} JOIN batch b ON b.id = e.batch_id
       WHERE e.batch_id = ANY($1::uuid[]) AND e.received_at >= $2::timestamptz - interval '1 day'
         AND e.body ->> 'kind' = 'withdrawn' AND e.body ->> 'event' = ANY($3::text[])`,
      [batches, from, rows.map((r) => r.id)],
    ),
  ]);
  const ids = new Set(gone.rows.flatMap((r) => r.ids));
  const readings = [...rows, ...backs.rows].flatMap((r) =>
    readable(BatchEvent, [r]).map((event) => ({ event, batch: r.batch, name: r.name, gone: ids.has(r.id) })),
  );
  return { readings, next };
}
