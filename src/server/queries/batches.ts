import { BatchEvent } from '../../core/batch/events';
import type { Batch, RecordedPlan } from '../../core/batch/record';
import type { Queryable } from '../database';

type BatchRow = {
  id: string;
  recipe_id: string;
  recipe_version: number;
  plan: RecordedPlan;
  started_at: Date;
  serve_at: Date | null;
};
type EventRow = { id: string; batch_id: string; at: Date; station: string; body: unknown };

const eventOf = (row: EventRow): BatchEvent =>
  BatchEvent.parse({ id: row.id, at: row.at.toISOString(), station: row.station, body: row.body });

async function withEvents(db: Queryable, rows: readonly BatchRow[]): Promise<readonly Batch[]> {
  if (rows.length === 0) return [];
  const events = await db.query<EventRow>(
    'SELECT id, batch_id, at, station, body FROM batch_event WHERE batch_id = ANY($1) ORDER BY seq',
    [rows.map((r) => r.id)],
  );
  return rows.map((row) => ({
    id: row.id,
    recipeId: row.recipe_id,
    recipeVersion: row.recipe_version,
    plan: row.plan,
    startedAt: row.started_at.toISOString(),
    serveAt: row.serve_at?.toISOString() ?? null,
    events: events.rows.filter((e) => e.batch_id === row.id).map(eventOf),
  }));
}

/** The kitchen's newest batches, newest first. */
export async function readBatches(db: Queryable, kitchenId: string, atMost = 20): Promise<readonly Batch[]> {
  const { rows } = await db.query<BatchRow>(
    'SELECT * FROM batch WHERE kitchen_id = $1 ORDER BY started_at DESC, id LIMIT $2',
    [kitchenId, atMost],
  );
  return withEvents(db, rows);
}

/** Every batch the kitchen ever started, oldest first. */
export async function readAllBatches(db: Queryable, kitchenId: string): Promise<readonly Batch[]> {
  const { rows } = await db.query<BatchRow>(
    'SELECT * FROM batch WHERE kitchen_id = $1 ORDER BY started_at, id',
    [kitchenId],
  );
  return withEvents(db, rows);
}

export async function readBatch(db: Queryable, id: string): Promise<Batch | null> {
  const { rows } = await db.query<BatchRow>('SELECT * FROM batch WHERE id = $1', [id]);
  return (await withEvents(db, rows))[0] ?? null;
}

export type NewBatch = Omit<Batch, 'events'> & { readonly kitchenId: string };

/** Writes a batch once: the same id again changes nothing. True when it was new. */
export async function writeBatch(db: Queryable, b: NewBatch): Promise<boolean> {
  const { rowCount } = await db.query(
    `INSERT INTO batch (id, kitchen_id, recipe_id, recipe_version, plan, started_at, serve_at)
     VALUES ($1, $2, $3, $4, $5::jsonb, $6, $7) ON CONFLICT (id) DO NOTHING`,
    [b.id, b.kitchenId, b.recipeId, b.recipeVersion, JSON.stringify(b.plan), b.startedAt, b.serveAt],
  );
  return rowCount === 1;
}

/** Appends an event once: the same id again changes nothing. True when it was new. */
export async function appendEvent(db: Queryable, batchId: string, e: BatchEvent): Promise<boolean> {
  const { rowCount } = await db.query(
    `INSERT INTO batch_event (id, batch_id, at, station, body) VALUES ($1, $2, $3, $4, $5::jsonb)
     ON CONFLICT (id) DO NOTHING`,
    [e.id, batchId, e.at, e.station, JSON.stringify(e.body)],
  );
  return rowCount === 1;
}
