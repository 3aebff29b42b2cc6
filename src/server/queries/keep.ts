import { KeepEvent } from '../../core/keep/events';
import type { Lot, LotState } from '../../core/keep/lot';
import type { Queryable } from '../data/database';
import { LINE, type LineRow, readable } from './record/lines';

type Row = LineRow & { readonly lot_id: string | null };

const EVENT = `lot_id, brought, ${LINE}`;

/** Most generations something is parted through: what was parted from further back is judged by what is known of it. */
const GENERATIONS = 12;

/** The thing kept that a thing was parted from, by its first line. */
const partedFrom = ({ events }: Lot): string | null => {
  const put = events.findLast((e) => e.body.kind === 'put by')?.body;
  return put?.kind === 'put by' ? (put.from ?? null) : null;
};

/** Things kept with their lines, and those they were parted from with theirs: how a part cooled stands there. */
async function withLines(
  db: Queryable,
  ids: readonly string[],
  generations = GENERATIONS,
): Promise<readonly Lot[]> {
  const own = await ownLines(db, ids);
  const wanted = [...new Set(own.flatMap((l) => partedFrom(l) ?? []))];
  if (wanted.length === 0 || generations === 0) return own;
  const parents = new Map((await withLines(db, wanted, generations - 1)).map((l) => [l.id, l]));
  return own.map((l) => {
    const parent = parents.get(partedFrom(l) ?? '');
    return parent && parent.events.length > 0 ? { ...l, from: parent } : l;
  });
}

async function ownLines(db: Queryable, ids: readonly string[]): Promise<readonly Lot[]> {
  if (ids.length === 0) return [];
  const { rows } = await db.query<Row>(
    `SELECT ${EVENT} FROM keep_event WHERE lot_id = ANY($1::uuid[]) ORDER BY seq`,
    [ids],
  );
  const lines = new Map<string, KeepEvent[]>(ids.map((id) => [id, []]));
  for (const row of rows) lines.get(row.lot_id ?? '')?.push(...readable(KeepEvent, [row]));
  return ids.map((id) => ({ id, events: lines.get(id) ?? [] }));
}

/** Most things kept that are shown at once. */
const MOST_LOTS = 500;

/** Everything kept that is not over, the oldest first; of more than {@link MOST_LOTS} the newest, and how many more there are. */
export async function readLots(
  db: Queryable,
  kitchenId: string,
  stages: readonly string[] | null = null,
): Promise<{ readonly lots: readonly Lot[]; readonly more: number }> {
  const { rows } = await db.query<{ id: string; all: string }>(
    `SELECT id, count(*) OVER () AS all FROM lot
     WHERE kitchen_id = $1 AND over_at IS NULL AND ($2::text[] IS NULL OR stage = ANY($2))
     ORDER BY opened_at DESC, id LIMIT $3`,
    [kitchenId, stages, MOST_LOTS],
  );
  return {
    lots: await withLines(db, rows.map((r) => r.id).toReversed()),
    more: Number(rows[0]?.all ?? 0) - rows.length,
  };
}

/** One thing kept, over or not; null where there is none of that id. */
export async function readLot(db: Queryable, kitchenId: string, id: string): Promise<Lot | null> {
  const { rows } = await db.query<{ id: string }>('SELECT id FROM lot WHERE kitchen_id = $1 AND id = $2', [
    kitchenId,
    id,
  ]);
  const [row] = rows;
  return row ? ((await withLines(db, [row.id]))[0] ?? null) : null;
}

/**
 * Things kept that had a line from `from` to before `to`, with all their lines, `atMost` of them; and when the
 * first of the rest had one.
 */
export async function readLotsBetween(
  db: Queryable,
  kitchenId: string,
  from: string,
  to: string,
  atMost: number,
): Promise<{ readonly lots: readonly Lot[]; readonly next: Date | null }> {
  const { rows } = await db.query<{ lot_id: string; first: Date }>(
    `SELECT lot_id, min(at) AS first FROM keep_event WHERE kitchen_id = $1 AND lot_id IS NOT NULL AND at >= $2 AND at < $3
     GROUP BY lot_id ORDER BY min(at), lot_id LIMIT $4`,
    [kitchenId, from, to, atMost + 1],
  );
  return {
    lots: await withLines(
      db,
      rows.slice(0, atMost).map((r) => r.lot_id),
    ),
    next: rows[atMost]?.first ?? null,
  };
}

/** Up to `atMost` of all that was ever kept, the oldest first, from after `after` on. */
export async function readLotsFrom(
  db: Queryable,
  kitchenId: string,
  after: { readonly openedAt: string; readonly id: string } | null,
  atMost: number,
): Promise<readonly (Lot & { readonly batchId: string | null; readonly openedAt: string })[]> {
  const { rows } = await db.query<{ id: string; batch_id: string | null; opened: string }>(
    `SELECT id, batch_id, opened_at::text AS opened FROM lot
     WHERE kitchen_id = $1 AND ($2::timestamptz IS NULL OR (opened_at, id) > ($2::timestamptz, $3::uuid))
     ORDER BY opened_at, id LIMIT $4`,
    [kitchenId, after?.openedAt ?? null, after?.id ?? null, atMost],
  );
  const lots = await ownLines(
    db,
    rows.map((r) => r.id),
  );
  return rows.flatMap((r, n) => {
    const lot = lots[n];
    return lot ? [{ ...lot, batchId: r.batch_id, openedAt: r.opened }] : [];
  });
}

/** Lines of the kitchen itself, the last `atMost` (null: all): probes checked, days signed. */
export async function readKitchenLines(
  db: Queryable,
  kitchenId: string,
  atMost: number | null = 400,
): Promise<readonly KeepEvent[]> {
  const { rows } = await db.query<Row>(
    `SELECT ${EVENT} FROM keep_event WHERE kitchen_id = $1 AND lot_id IS NULL ORDER BY seq DESC LIMIT $2`,
    [kitchenId, atMost],
  );
  return readable(KeepEvent, rows.toReversed());
}

export async function readFilmLines(db: Queryable, kitchenId: string): Promise<readonly KeepEvent[]> {
  const { rows } = await db.query<Row>(
    `SELECT ${EVENT} FROM keep_event WHERE kitchen_id = $1 AND body ->> 'kind' = 'cooled' ORDER BY seq DESC LIMIT 60`,
    [kitchenId],
  );
  return readable(KeepEvent, rows.toReversed());
}

/** Only one at a time writes of something kept, until the transaction ends. */
export const holdLot = (db: Queryable, id: string) =>
  db.query("SELECT pg_advisory_xact_lock(hashtext('panache lot'), hashtext($1))", [id]);

/** What is written of a line that is there already: the lot it is of; null where there is none of that id. */
export async function readLineOwner(
  db: Queryable,
  id: string,
): Promise<{ readonly lot: string | null } | null> {
  const { rows } = await db.query<{ lot_id: string | null }>('SELECT lot_id FROM keep_event WHERE id = $1', [
    id,
  ]);
  return rows[0] ? { lot: rows[0].lot_id } : null;
}

export async function openRow(
  db: Queryable,
  lot: {
    readonly id: string;
    readonly kitchenId: string;
    readonly batchId: string | null;
    readonly at: string;
  },
): Promise<void> {
  await db.query(
    `INSERT INTO lot (id, kitchen_id, batch_id, opened_at, stage) VALUES ($1, $2, $3, $4, 'cold') ON CONFLICT (id) DO NOTHING`,
    [lot.id, lot.kitchenId, lot.batchId, lot.at],
  );
}

/** Where a thing kept stands after its lines; what was taken back before it stood is over. */
export async function moveRow(db: Queryable, id: string, state: LotState | null): Promise<void> {
  const inPot =
    state && state.container.kind === 'pot' && ['hot', 'cooling', 'reheating'].includes(state.stage)
      ? state.container.vessel
      : null;
  await db.query('UPDATE lot SET stage = $2, vessel_id = $3, over_at = $4 WHERE id = $1', [
    id,
    state?.stage ?? 'over',
    inPot,
    state ? (state.over ? new Date(state.over.at) : null) : new Date(),
  ]);
}

/** What a line says, in the order both ways of writing it take it in; and by which key it came. */
const said = (kitchenId: string, lot: string | null, e: KeepEvent) => [
  e.id,
  kitchenId,
  lot,
  e.at,
  e.station,
  e.clockMs ?? null,
  JSON.stringify(e.body),
];
const keyOf = (e: KeepEvent): string | null => (e.via ? JSON.stringify(e.via) : null);

/** Writes a line once; false where its id is taken. `dated` is for the owner alone, who puts in what was before with its moments. */
export async function appendLine(
  db: Queryable,
  kitchenId: string,
  lot: string | null,
  e: KeepEvent,
  dated = false,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `INSERT INTO keep_event (id, kitchen_id, lot_id, at, station, clock_ms, body, via${dated ? ', received_at' : ''})
     VALUES ($1, $2, $3, $4, $5, $6, $7::jsonb, $8::jsonb${dated ? ', $9::timestamptz' : ''})`,
    [...said(kitchenId, lot, e), keyOf(e), ...(dated ? [e.receivedAt ?? e.at] : [])],
  );
  return rowCount === 1;
}

/** As {@link appendLine}, of a line an archive brings with the moment it was first taken. */
export async function bringLine(
  db: Queryable,
  kitchenId: string,
  lot: string | null,
  e: KeepEvent,
): Promise<boolean> {
  const { rows } = await db.query<{ is_new: boolean }>(
    'SELECT bring_kept($1, $2, $3, $4, $5, $6, $7::jsonb, $8, $9::jsonb) AS is_new',
    [...said(kitchenId, lot, e), e.receivedAt ?? e.at, keyOf(e)],
  );
  return rows[0]?.is_new ?? false;
}

/** Whether something kept is out of sight, by its row. */
export async function isOutOfSight(db: Queryable, id: string): Promise<boolean> {
  const { rows } = await db.query<{ over: boolean }>(
    'SELECT over_at IS NOT NULL AS over FROM lot WHERE id = $1',
    [id],
  );
  return rows[0]?.over ?? false;
}

/** Puts things kept out of sight, as an import that is gone back on brought them: their lines stay in the record. */
export const hideLots = (db: Queryable, ids: readonly string[]) =>
  db.query("UPDATE lot SET stage = 'over', vessel_id = NULL, over_at = now() WHERE id = ANY($1::uuid[])", [
    ids,
  ]);
