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

/** The kitchen's batches that are not over, newest first: neither served nor thrown away nor cleared, unless that was taken back. */
export async function readLiveBatches(
  db: Queryable,
  kitchenId: string,
  atMost = 20,
): Promise<readonly Batch[]> {
  const { rows } = await db.query<BatchRow>(
    `SELECT * FROM batch b WHERE kitchen_id = $1 AND NOT EXISTS (
       SELECT 1 FROM batch_event e WHERE e.batch_id = b.id
         AND (e.body ->> 'kind' = 'cleared'
           OR (e.body ->> 'kind' = 'finished' AND e.body ->> 'goesTo' IN ('pass', 'bin')))
         AND NOT EXISTS (
           SELECT 1 FROM batch_event w WHERE w.batch_id = b.id
             AND w.body ->> 'kind' = 'withdrawn' AND w.body ->> 'event' = e.id::text))
     ORDER BY started_at DESC, id LIMIT $2`,
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

/** What an event has to agree with in its batch, checked as it is written. */
export type Bounds = {
  /** The step of the plan it names. */
  readonly step: number | null;
  /** The event of the batch it names. */
  readonly event: string | null;
  readonly depthMm: number | null;
  readonly ml: number | null;
};
export const UNBOUND: Bounds = { step: null, event: null, depthMm: null, ml: null };

const RIM = 'rim_mm * pi() * (across_mm / 20) ^ 2 / 10';

/** An event as it is to be written, with what it has to agree with. */
export type Draft = { readonly batch: string; readonly event: BatchEvent; readonly bounds: Bounds };

/**
 * Appends events, each once, in one statement and the order given. Returns the ids of those written; one is
 * missing when it was there already, the batch is not, or it does not agree with it: {@link readLimits} tells
 * which. An event may name only what was written before this call.
 */
export async function appendEvents(db: Queryable, drafts: readonly Draft[]): Promise<ReadonlySet<string>> {
  const { rows } = await db.query<{ id: string }>({
    name: 'append-events',
    text: `INSERT INTO batch_event (id, batch_id, at, station, body)
     SELECT d.id, b.id, d.at, d.station, d.body
     FROM unnest($1::uuid[], $2::uuid[], $3::timestamptz[], $4::text[], $5::jsonb[], $6::int[], $7::uuid[],
       $8::float8[], $9::float8[]) WITH ORDINALITY
       AS d(id, batch_id, at, station, body, step, event, depth_mm, ml, n)
     JOIN batch b ON b.id = d.batch_id
     WHERE (d.step IS NULL OR d.step < b.steps)
       AND (d.event IS NULL OR EXISTS (SELECT 1 FROM batch_event r WHERE r.id = d.event AND r.batch_id = b.id))
       AND (d.depth_mm IS NULL OR b.rim_mm IS NULL OR d.depth_mm <= b.rim_mm)
       AND (d.ml IS NULL OR b.rim_mm IS NULL OR d.ml <= ${RIM})
     ORDER BY d.n
     ON CONFLICT (id) DO NOTHING
     RETURNING id`,
    values: [
      drafts.map((d) => d.event.id),
      drafts.map((d) => d.batch),
      drafts.map((d) => d.event.at),
      drafts.map((d) => d.event.station),
      drafts.map((d) => JSON.stringify(d.event.body)),
      drafts.map((d) => d.bounds.step),
      drafts.map((d) => d.bounds.event),
      drafts.map((d) => d.bounds.depthMm),
      drafts.map((d) => d.bounds.ml),
    ],
  });
  return new Set(rows.map((r) => r.id));
}

/** Appends one event; true when it was written. As {@link appendEvents}. */
export const appendEvent = async (
  db: Queryable,
  batch: string,
  event: BatchEvent,
  bounds: Bounds = UNBOUND,
): Promise<boolean> => (await appendEvents(db, [{ batch, event, bounds }])).has(event.id);

export type Limits = {
  readonly steps: number;
  readonly rimMm: number | null;
  readonly rimMl: number | null;
  readonly hasEvent: boolean;
  readonly known: boolean;
};

/** What events of a batch have to agree with, whether it has the event `named`, and whether `id` is written already; null without the batch. */
export async function readLimits(
  db: Queryable,
  batchId: string,
  id: string,
  named: string | null,
): Promise<Limits | null> {
  const { rows } = await db.query<{
    steps: number;
    rim_mm: number | null;
    rim_ml: number | null;
    has: boolean;
    known: boolean;
  }>(
    `SELECT steps, rim_mm, ${RIM} AS rim_ml,
       EXISTS (SELECT 1 FROM batch_event r WHERE r.id = $3::uuid AND r.batch_id = b.id) AS has,
       EXISTS (SELECT 1 FROM batch_event r WHERE r.id = $2::uuid) AS known
     FROM batch b WHERE b.id = $1`,
    [batchId, id, named],
  );
  const [row] = rows;
  return row
    ? { steps: row.steps, rimMm: row.rim_mm, rimMl: row.rim_ml, hasEvent: row.has, known: row.known }
    : null;
}

/** The event with this number in the order of writing, or null. */
export async function readEvent(db: Queryable, seq: number): Promise<BatchEvent | null> {
  const { rows } = await db.query<EventRow>(
    'SELECT id, batch_id, at, station, body FROM batch_event WHERE seq = $1',
    [seq],
  );
  return rows[0] ? eventOf(rows[0]) : null;
}
