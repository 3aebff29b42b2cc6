import { BatchEvent } from '../../core/batch/events';
import type { Batch, RecordedPlan, Unreadable } from '../../core/batch/record';
import type { Row } from '../../core/record/chain';
import type { Via } from '../../core/record/line';
import { DAY_MS } from '../../core/units/moment';
import type { Queryable } from '../data/database';
import type { RecipeBody } from './recipes';
import { isReadable, LINE, type LineRow, lineIn, momentOf, readable } from './record/lines';
import { readAway } from './record/parts';
import { seal, sealRows, within } from './record/seals';

type BatchRow = {
  id: string;
  recipe_id: string;
  recipe_version: number;
  plan: RecordedPlan;
  started_at: Date;
  serve_at: Date | null;
  received_at: Date;
  via: Via | null;
  brought_by: string | null;
};
type EventRow = LineRow & { readonly batch_id: string };

const EVENT = `batch_id, ${LINE}`;

async function withEvents(db: Queryable, rows: readonly BatchRow[]): Promise<readonly Batch[]> {
  if (rows.length === 0) return [];
  // No line is older than its batch: what the years before hold is not even opened.
  const first = Math.min(
    ...rows.flatMap((r) => [Number(r.received_at), Number(r.started_at)]).filter(Number.isFinite),
  );
  const events = await db.query<EventRow>(
    `SELECT ${EVENT} FROM batch_event WHERE batch_id = ANY($1) AND received_at >= $2 ORDER BY seq`,
    [rows.map((r) => r.id), Number.isFinite(first) ? new Date(first - DAY_MS) : '-infinity'],
  );
  const away = await readAway(
    db,
    rows.map((r) => r.id),
  );
  const lines = new Map<string, EventRow[]>(rows.map((r) => [r.id, []]));
  for (const e of events.rows) lines.get(e.batch_id)?.push(e);
  return rows.map((row) => {
    const all = (lines.get(row.id) ?? []).map((line) => lineIn(BatchEvent, line));
    const unreadable = all.filter((e): e is Unreadable => !isReadable(e));
    return {
      id: row.id,
      recipeId: row.recipe_id,
      recipeVersion: row.recipe_version,
      plan: row.plan,
      startedAt: momentOf(row.started_at),
      serveAt: row.serve_at === null ? null : momentOf(row.serve_at),
      receivedAt: momentOf(row.received_at),
      ...(row.via && { via: row.via }),
      ...(row.brought_by && { brought: true }),
      events: all.filter(isReadable),
      ...(unreadable.length > 0 && { unreadable }),
      ...(away.has(row.id) && { away: away.get(row.id) }),
    };
  });
}

/** The kitchen's newest batches, newest first. */
export async function readBatches(db: Queryable, kitchenId: string, atMost = 20): Promise<readonly Batch[]> {
  const { rows } = await db.query<BatchRow>(
    'SELECT * FROM kept_batch WHERE kitchen_id = $1 ORDER BY started_at DESC, id LIMIT $2',
    [kitchenId, atMost],
  );
  return withEvents(db, rows);
}

/**
 * The kitchen's batches that are not over, the newest started first. Of more than `atMost` those count that
 * were touched last, by the server's own clock: what nobody ended weeks ago does not push a real pot aside.
 */
export async function readLiveBatches(
  db: Queryable,
  kitchenId: string,
  atMost = 20,
): Promise<readonly Batch[]> {
  const { rows } = await db.query<BatchRow>(
    `SELECT * FROM (
       SELECT b.*, greatest(b.received_at,
         (SELECT received_at FROM batch_event e WHERE e.batch_id = b.id
            AND e.received_at >= first_line_of(b.received_at, b.started_at) ORDER BY seq DESC LIMIT 1)) AS touched
       FROM kept_batch b WHERE kitchen_id = $1 AND over_at IS NULL ORDER BY touched DESC, id LIMIT $2) l
     ORDER BY started_at DESC, id`,
    [kitchenId, atMost],
  );
  return withEvents(db, rows);
}

/** A pot or burner something stands on: its id, and the batch. */
type InUse = {
  readonly batchId: string;
  readonly recipeName: string;
  readonly vesselId: string;
  readonly vesselName: string;
  readonly burnerId: string | null;
  readonly burnerName: string;
};

/** Still on the stove after this long, a batch was left unended rather than cooked on. Common practice, no source. */
const LONGEST_ON_THE_STOVE = '36 hours';

/**
 * Pots and burners of batches on the stove now: begun, and neither finished nor left standing for days; and pots
 * something kept stands in.
 */
export async function readInUse(db: Queryable, kitchenId: string): Promise<readonly InUse[]> {
  const { rows } = await db.query<{
    id: string;
    name: string;
    vessel: string;
    vessel_name: string;
    burner: string | null;
    burner_name: string;
  }>(
    `SELECT b.id, b.plan ->> 'recipeName' AS name, b.plan ->> 'vesselId' AS vessel,
       b.plan ->> 'vesselName' AS vessel_name, b.plan #>> '{cooked,burner,id}' AS burner,
       b.plan ->> 'burnerName' AS burner_name
     FROM kept_batch b
     WHERE b.kitchen_id = $1 AND b.started_at > now() - $2::interval
       AND b.over_at IS NULL AND b.off_stove_at IS NULL
     UNION ALL
     SELECT l.id, coalesce(p.body ->> 'name', ''), l.vessel_id, l.vessel_id, NULL, ''
     FROM lot l LEFT JOIN LATERAL (
       SELECT body FROM keep_event e WHERE e.lot_id = l.id AND e.body ->> 'kind' = 'put by' ORDER BY seq LIMIT 1) p ON true
     WHERE l.kitchen_id = $1 AND l.over_at IS NULL AND l.vessel_id IS NOT NULL`,
    [kitchenId, LONGEST_ON_THE_STOVE],
  );
  return rows.map((r) => ({
    batchId: r.id,
    recipeName: r.name,
    vesselId: r.vessel,
    vesselName: r.vessel_name,
    burnerId: r.burner,
    burnerName: r.burner_name,
  }));
}

/**
 * Up to `atMost` of the batches the kitchen ever started, oldest first, from after `after` on; lines that cannot
 * be read as they are stored.
 */
export async function readBatchesFrom(
  db: Queryable,
  kitchenId: string,
  after: { readonly startedAt: string; readonly id: string } | null,
  atMost: number,
): Promise<readonly Batch[]> {
  const { rows } = await db.query<BatchRow>(
    `SELECT * FROM kept_batch WHERE kitchen_id = $1
       AND ($2::timestamptz IS NULL OR
         (date_trunc('milliseconds', started_at AT TIME ZONE 'UTC'), id) > ($2::timestamptz AT TIME ZONE 'UTC', $3::uuid))
     ORDER BY date_trunc('milliseconds', started_at AT TIME ZONE 'UTC'), id LIMIT $4`,
    [kitchenId, after?.startedAt ?? null, after?.id ?? null, atMost],
  );
  return withEvents(db, rows);
}

export async function readBatch(db: Queryable, id: string): Promise<Batch | null> {
  const { rows } = await db.query<BatchRow>('SELECT * FROM kept_batch WHERE id = $1', [id]);
  return (await withEvents(db, rows))[0] ?? null;
}

export type NewBatch = Omit<Batch, 'events' | 'unreadable' | 'away'> & {
  readonly kitchenId: string;
  /** The import it comes by: it keeps the moment it was first taken, and is marked as brought for good. */
  readonly broughtBy?: string;
  /** The recipe it is cooked from, where that is none the house has kept yet. */
  readonly keeps?: RecipeBody;
};

/**
 * Writes a batch once and seals it: the same id again changes nothing. True when it was new. What an archive
 * brings is sealed after it, with its lines.
 */
export const writeBatch = (db: Queryable, b: NewBatch, sealed = true): Promise<boolean> =>
  within(db, async (tx) => {
    const isNew = await insertBatch(tx, b);
    if (isNew && sealed) await seal(tx, b.kitchenId, [{ source: 'batch', ids: [b.id] }]);
    return isNew;
  });

/** Whether a batch of that id is this kitchen’s, whatever became of the import it came by. */
export const isBatchHere = async (db: Queryable, id: string): Promise<boolean> =>
  (await db.query('SELECT 1 FROM batch WHERE id = $1', [id])).rowCount === 1;

async function insertBatch(db: Queryable, b: NewBatch): Promise<boolean> {
  const values = [
    b.id,
    b.kitchenId,
    b.recipeId,
    b.recipeVersion,
    JSON.stringify(b.plan),
    b.startedAt,
    b.serveAt,
    b.via ? JSON.stringify(b.via) : null,
    ...(b.receivedAt ? [b.receivedAt] : []),
  ];
  if (b.broughtBy) {
    const { rows } = await db.query<{ is_new: boolean }>(
      'SELECT bring_batch($10, $1, $2, $3, $4, $5::jsonb, $6, $7, coalesce($9::timestamptz, $6::timestamptz), $8::jsonb) AS is_new',
      [...values.slice(0, 8), b.receivedAt ?? null, b.broughtBy],
    );
    return rows[0]?.is_new ?? false;
  }
  // The moment it is received is the database’s to say, but where the owner puts in what was before.
  const { rowCount } = await db.query(
    `INSERT INTO batch (id, kitchen_id, recipe_id, recipe_version, plan, started_at, serve_at, via${b.receivedAt ? ', received_at' : ''})
     VALUES ($1, $2, $3, $4, $5::jsonb, $6, $7, $8::jsonb${b.receivedAt ? ', $9::timestamptz' : ''}) ON CONFLICT (id) DO NOTHING`,
    values,
  );
  return rowCount === 1;
}

/**
 * Lines of a batch an archive brings, in the order given, with the moments they were first taken. Returns the ids
 * of those written, each once: one whose id is taken, here or in the archive, is missing. They are sealed after
 * it.
 */
export async function bringLines(
  db: Queryable,
  batch: string,
  events: readonly BatchEvent[],
): Promise<readonly string[]> {
  const { rows } = await db.query<{ id: string }>(
    'SELECT bring_lines($1::uuid[], $2::uuid[], $3::timestamptz[], $4::text[], $5::jsonb[], $6::bigint[], $7::timestamptz[], $8::jsonb[]) AS id',
    [
      events.map((e) => e.id),
      events.map(() => batch),
      events.map((e) => e.at),
      events.map((e) => e.station),
      events.map((e) => JSON.stringify(e.body)),
      events.map((e) => e.clockMs ?? null),
      events.map((e) => e.receivedAt ?? e.at),
      events.map((e) => (e.via ? JSON.stringify(e.via) : null)),
    ],
  );
  return rows.map((r) => r.id);
}

/**
 * Holds the kitchen as it is until the transaction ends, and says whether a pot or a burner is no longer in it.
 */
export async function holdStand(
  db: Queryable,
  kitchenId: string,
  vesselId: string,
  burnerId: string | null,
): Promise<'vesselId' | 'burnerId' | null> {
  await db.query('SELECT 1 FROM kitchen WHERE id = $1 FOR SHARE', [kitchenId]);
  const { rows } = await db.query<{ pot: boolean; burner: boolean }>(
    `SELECT body -> 'vessels' @> jsonb_build_array(jsonb_build_object('id', $2::text)) AS pot,
       $3::text IS NULL OR body -> 'burners' @> jsonb_build_array(jsonb_build_object('id', $3::text)) AS burner
     FROM kitchen_version WHERE kitchen_id = $1 ORDER BY revision DESC LIMIT 1`,
    [kitchenId, vesselId, burnerId],
  );
  const [row] = rows;
  if (!row?.pot) return 'vesselId';
  return row.burner ? null : 'burnerId';
}

/** What an event has to agree with in its batch, checked as it is written. */
export type Bounds = {
  /** The step of the plan it names. */
  readonly step: number | null;
  /** The event of the batch it names. */
  readonly event: string | null;
  readonly depthMm: number | null;
  readonly ml: number | null;
  /** True of what the owner puts in from before: it keeps the moment it was first taken. */
  readonly archived?: boolean;
};
export const UNBOUND: Bounds = { step: null, event: null, depthMm: null, ml: null };

const RIM = 'rim_mm * pi() * (across_mm / 20) ^ 2 / 10';

/** An event as it is to be written, with what it has to agree with. */
export type EventToWrite = { readonly batch: string; readonly event: BatchEvent; readonly bounds: Bounds };

/**
 * Appends events, each once, in the order given, and seals them with the link before (but for what is sealed
 * after it). Returns the ids of those written; one is
 * missing when it was there already, the batch is not, or it does not agree with it: {@link readLimits} tells
 * which. An event may name only what was written before this call.
 */
export const appendEvents = (
  db: Queryable,
  drafts: readonly EventToWrite[],
  sealed = true,
): Promise<ReadonlySet<string>> =>
  within(db, async (tx) => {
    const written = await insertEvents(tx, drafts);
    const kitchens = new Map<string, Row[]>();
    for (const { id, kitchen_id, row } of written)
      kitchens.set(kitchen_id, [...(kitchens.get(kitchen_id) ?? []), { source: 'batch_event', id, row }]);
    if (sealed) for (const [kitchen, rows] of kitchens) await sealRows(tx, kitchen, rows);
    return new Set(written.map((w) => w.id));
  });

type Written = { readonly id: string; readonly kitchen_id: string; readonly row: unknown };

/** What an event names is in its batch. Asked only where one does: it means looking into more parts than are written to. */
const NAMES_ITS_OWN = `(d.event IS NULL OR EXISTS (SELECT 1 FROM batch_event r WHERE r.id = d.event AND r.batch_id = b.id
  AND r.received_at >= first_line_of(b.received_at, b.started_at)))`;

async function insertEvents(db: Queryable, drafts: readonly EventToWrite[]): Promise<readonly Written[]> {
  const naming = drafts.some((d) => d.bounds.event !== null);
  // The moment it is received is the database’s to say, but where the owner puts in what was before.
  const dated = drafts.some((d) => d.bounds.archived);
  const received = dated ? 'coalesce(d.received_at, now())' : 'now()';
  const { rows } = await db.query<Written>({
    name: `append-events ${dated} ${naming}`,
    // A line whose id is taken, anywhere and ever, is left out as it is written (claim_line).
    text: `INSERT INTO batch_event (id, batch_id, at, station, body, clock_ms, batch_started_at, via${dated ? ', received_at' : ''})
     SELECT d.id, b.id, d.at, d.station, d.body, d.clock_ms, b.started_at, d.via${dated ? `, ${received}` : ''}
     FROM unnest($1::uuid[], $2::uuid[], $3::timestamptz[], $4::text[], $5::jsonb[], $6::int[], $7::uuid[],
       $8::float8[], $9::float8[], $10::bigint[], $11::timestamptz[], $12::jsonb[]) WITH ORDINALITY
       AS d(id, batch_id, at, station, body, step, event, depth_mm, ml, clock_ms, received_at, via, n)
     JOIN batch b ON b.id = d.batch_id
     WHERE (d.step IS NULL OR d.step < b.steps)
       AND d.at - ${received} <= interval '1 day'
       AND d.at - b.started_at >= interval '-1 day'
       ${naming ? `AND ${NAMES_ITS_OWN}` : ''}
       AND (d.depth_mm IS NULL OR b.rim_mm IS NULL OR d.depth_mm <= b.rim_mm)
       AND (d.ml IS NULL OR b.rim_mm IS NULL OR d.ml <= ${RIM})
     ORDER BY d.n
     RETURNING id, kitchen_id, event_row(batch_event) AS row`,
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
      drafts.map((d) => d.event.clockMs ?? null),
      // What a station claims of that is not taken.
      drafts.map((d) => (d.bounds.archived ? (d.event.receivedAt ?? d.event.at) : null)),
      drafts.map((d) => (d.event.via ? JSON.stringify(d.event.via) : null)),
    ],
  });
  return rows;
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
  readonly startedAt: Date;
  readonly now: Date;
  readonly rimMm: number | null;
  readonly rimMl: number | null;
  readonly hasEvent: boolean;
  /** The batch that has an event of this id already. */
  readonly knownIn: string | null;
};

/** What events of a batch have to agree with, whether it has the event `named`, and who has `id` already; null without the batch. */
export async function readLimits(
  db: Queryable,
  batchId: string,
  id: string,
  named: string | null,
): Promise<Limits | null> {
  const { rows } = await db.query<{
    steps: number;
    started_at: Date;
    now: Date;
    rim_mm: number | null;
    rim_ml: number | null;
    has: boolean;
    known_in: string | null;
  }>(
    `SELECT steps, started_at, now() AS now, rim_mm, ${RIM} AS rim_ml,
       EXISTS (SELECT 1 FROM batch_event r WHERE r.id = $3::uuid AND r.batch_id = b.id) AS has,
       coalesce((SELECT batch_id FROM batch_event r WHERE r.id = $2::uuid LIMIT 1),
         (SELECT batch_id FROM event_away a WHERE a.id = $2::uuid)) AS known_in
     FROM batch b WHERE b.id = $1`,
    [batchId, id, named],
  );
  const [row] = rows;
  return row
    ? {
        steps: row.steps,
        startedAt: row.started_at,
        now: row.now,
        rimMm: row.rim_mm,
        rimMl: row.rim_ml,
        hasEvent: row.has,
        knownIn: row.known_in,
      }
    : null;
}

/** The event of a batch with this number in the order of writing; null when there is none, or it cannot be read. */
export async function readEvent(db: Queryable, batch: string, seq: number): Promise<BatchEvent | null> {
  const { rows } = await db.query<EventRow>(
    `SELECT ${EVENT} FROM batch_event WHERE batch_id = $1 AND seq = $2`,
    [batch, seq],
  );
  return readable(BatchEvent, rows)[0] ?? null;
}
