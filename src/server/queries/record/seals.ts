import pg from 'pg';
import {
  AWAY,
  type Finding,
  type Head,
  hashOf,
  type Link,
  NO_LINK,
  type Row,
  SEALED,
  type SealedSource,
  Verifier,
} from '../../../core/record/chain';
import type { ChainFollowed } from '../../../core/record/followed';
import { beginning, type Queryable, transaction } from '../../data/database';
import { countAside, readLinesAway, readPartOf } from './parts';

/** What is to be sealed: ids of rows of one kind, in the order they were written. */
type ToSeal = { readonly source: SealedSource; readonly ids: readonly string[] };

/** Moments between which rows were received, both counted; of the years there are only those parts are looked into. */
type Span = { readonly from: Date; readonly to: Date };

/** The rows of one kind as they are stored, by their ids. */
async function rowsOf(
  db: Queryable,
  { source, ids }: ToSeal,
  span: Span | null = null,
): Promise<ReadonlyMap<string, unknown>> {
  // Read by its kind alone: what the view puts together of the others is not even planned.
  const text = `SELECT id, row FROM to_seal WHERE source = '${source}' AND id = ANY($1::uuid[])`;
  const { rows } = await db.query<{ id: string; row: unknown }>(
    span
      ? // Planned each time: which parts are opened is known by the moments.
        { text: `${text} AND received_at BETWEEN $2 AND $3`, values: [ids, span.from, span.to] }
      : { name: `rows-to-seal ${source}`, text, values: [ids] },
  );
  return new Map(rows.map((r) => [r.id, r.row]));
}

/** The end of the kitchen’s chain; held until the transaction ends where `hold` is asked. */
export async function readHead(db: Queryable, kitchenId: string, hold = false): Promise<Head> {
  if (hold)
    await db.query({
      name: 'hold-the-chain',
      text: "SELECT pg_advisory_xact_lock(hashtext('panache seal'), hashtext($1))",
      values: [kitchenId],
    });
  const { rows } = await db.query<{ n: string; hash: string }>({
    name: 'head-of-the-chain',
    text: 'SELECT n, hash FROM seal WHERE kitchen_id = $1 ORDER BY n DESC LIMIT 1',
    values: [kitchenId],
  });
  return rows[0] ? { n: Number(rows[0].n), hash: rows[0].hash } : NO_LINK;
}

/** The end of the chain of the kitchen that is asked for; null before there is one. One short question, and no document read for it. */
export async function readRecordHead(db: Queryable): Promise<Head | null> {
  const { rows } = await db.query<{ n: string; hash: string }>(
    'SELECT n, hash FROM seal WHERE kitchen_id = asked_kitchen() ORDER BY n DESC LIMIT 1',
  );
  return rows[0] ? { n: Number(rows[0].n), hash: rows[0].hash } : null;
}

/**
 * Links of these rows after the kitchen’s last: numbered, hashed and dated by the database, which holds the chain
 * for it. Returns its end.
 */
async function writeLinks(db: Queryable, kitchenId: string, rows: readonly Row[]): Promise<Head> {
  const { rows: ends } = await db.query<{ n: string; hash: string }>({
    name: 'seal-lines',
    text: 'SELECT n, hash FROM seal_lines($1, $2::text[], $3::uuid[], $4::text[])',
    values: [kitchenId, rows.map((r) => r.source), rows.map((r) => r.id), rows.map((r) => hashOf(r.row))],
  });
  const [end] = ends;
  return end ? { n: Number(end.n), hash: end.hash } : NO_LINK;
}

/** Seals rows just written, in the order given. Run it in the transaction that writes them, last. */
export async function seal(db: Queryable, kitchenId: string, what: readonly ToSeal[]): Promise<Head> {
  const rows: Row[] = [];
  for (const { source, ids } of what) {
    const known = await rowsOf(db, { source, ids });
    for (const id of ids)
      if (known.has(id.toLowerCase()))
        rows.push({ source, id: id.toLowerCase(), row: known.get(id.toLowerCase()) });
  }
  return sealRows(db, kitchenId, rows);
}

/** As {@link seal}, of rows as they were read back from what wrote them. */
export const sealRows = (db: Queryable, kitchenId: string, rows: readonly Row[]): Promise<Head> =>
  rows.length === 0 ? readHead(db, kitchenId, true) : writeLinks(db, kitchenId, rows);

/** Runs `work` in a transaction: its own where `db` is a pool, else the one `db` is in. */
export const within = <T>(db: Queryable, work: (db: Queryable) => Promise<T>): Promise<T> =>
  db instanceof pg.Pool ? transaction(work, db) : work(db);

const AT_A_TIME = 2000;
/** Rows sealed in one go: as long as that a tap waits for the chain. */
const SEALED_AT_A_TIME = 200;

/** What an archive brought: batches and things kept, whole, and lines of the kitchen. */
export type Brought = {
  readonly batches: readonly string[];
  readonly lots: readonly string[];
  readonly lines: readonly string[];
};

/**
 * Seals what was written before there was a chain, or came with an archive: rows of `brought` (all, when null) that no
 * link speaks of, oldest first. In steps, so that taps go on meanwhile. Returns how many.
 */
export async function sealRest(
  pool: pg.Pool,
  kitchenId: string,
  brought: Brought | null,
  onSealed: (sealed: number) => void = () => {},
): Promise<number> {
  const client = await pool.connect();
  let sealed = 0;
  try {
    // Looked for once, however much it is: what is written meanwhile is sealed as it is written.
    await client.query(beginning(pool));
    await client.query({
      text: `DECLARE unsealed CURSOR WITH HOLD FOR SELECT t.source, t.id, t.received_at FROM to_seal t
         WHERE t.kitchen_id = $1 AND NOT EXISTS (SELECT 1 FROM seal s WHERE s.source = t.source AND s.id = t.id)
           AND ($2::uuid[] IS NULL OR t.id = ANY($2) OR (t.source = 'batch_event' AND (t.row ->> 'batch')::uuid = ANY($2))
             OR (t.source = 'keep_event' AND ((t.row ->> 'lot')::uuid = ANY($3) OR t.id = ANY($4))))
         ORDER BY t.received_at, t.seq, t.id`,
      values: [kitchenId, brought?.batches ?? null, brought?.lots ?? [], brought?.lines ?? []],
    });
    await client.query('COMMIT');
    for (;;) {
      const { rows: found } = await client.query<Unsealed>(`FETCH ${SEALED_AT_A_TIME} FROM unsealed`);
      if (found.length === 0) return sealed;
      sealed += await transaction((db) => sealFound(db, kitchenId, found), pool);
      onSealed(sealed);
    }
  } finally {
    // What it holds goes with the connection.
    client.release(true);
  }
}

type Unsealed = { readonly source: SealedSource; readonly id: string; readonly received_at: Date };

/** The moments all of these lie between. */
const spanOf = (moments: readonly Date[], aside = 0): Span => ({
  from: new Date(Math.min(...moments.map(Number)) - aside),
  // Moments are kept to the microsecond, and read to the millisecond.
  to: new Date(Math.max(...moments.map(Number)) + aside + 1),
});

/** Seals rows of several kinds in the order given, but for those that have been meanwhile. Returns how many. */
async function sealFound(db: Queryable, kitchenId: string, found: readonly Unsealed[]): Promise<number> {
  await readHead(db, kitchenId, true);
  const { rows: done } = await db.query<{ source: string; id: string }>(
    'SELECT source, id FROM seal s JOIN unnest($1::text[], $2::uuid[]) AS f(source, id) USING (source, id)',
    [found.map((f) => f.source), found.map((f) => f.id)],
  );
  const known = new Set(done.map((d) => `${d.source} ${d.id}`));
  const rest = found.filter((f) => !known.has(`${f.source} ${f.id}`));
  const stored = new Map<SealedSource, ReadonlyMap<string, unknown>>();
  for (const source of new Set(rest.map((r) => r.source)))
    stored.set(
      source,
      await rowsOf(
        db,
        { source, ids: rest.filter((r) => r.source === source).map((r) => r.id) },
        spanOf(rest.map((r) => r.received_at)),
      ),
    );
  const rows = rest.map(({ source, id }) => ({ source, id, row: stored.get(source)?.get(id) }));
  if (rows.length > 0) await writeLinks(db, kitchenId, rows);
  return rows.length;
}

/** Kinds of rows that stand in the chain since later than the others: what there was of them before is sealed once. */
const LATER = ['import', 'import_undone', 'part_moved'] as const satisfies readonly SealedSource[];

/** Whether `name` is done for the first time in this database; from then on it is not. */
async function firstTime(db: Queryable, name: string): Promise<boolean> {
  const { rowCount } = await db.query('INSERT INTO done_once (name) VALUES ($1) ON CONFLICT DO NOTHING', [
    name,
  ]);
  return rowCount === 1;
}

/** An import whose sealing was cut short, with what it brought. */
async function importsToSeal(
  pool: pg.Pool,
  kitchenId: string,
): Promise<readonly (Brought & { importId: string })[]> {
  const { rows } = await pool.query<{
    id: string;
    taken: { newLots?: string[]; newLines?: string[] };
    batches: string[];
  }>(
    `SELECT i.id, i.taken, coalesce((SELECT array_agg(b.batch_id) FROM imported_batch b WHERE b.import_id = i.id), '{}') AS batches
     FROM import i WHERE i.kitchen_id = $1 AND NOT EXISTS (SELECT 1 FROM import_sealed s WHERE s.import_id = i.id) ORDER BY i.made_at`,
    [kitchenId],
  );
  return rows.map((r) => ({
    importId: r.id,
    batches: r.batches,
    lots: r.taken.newLots ?? [],
    lines: r.taken.newLines ?? [],
  }));
}

/** Writes down that all an import brought is in the chain. */
export const importIsSealed = (db: Queryable, importId: string) =>
  db.query('INSERT INTO import_sealed (import_id) VALUES ($1) ON CONFLICT DO NOTHING', [importId]);

/** Seals all there is, once in the life of a database: a chain that is gone later is not made anew. Gone on with where it was cut short. */
async function sealFirst(pool: pg.Pool, kitchenId: string, fresh: boolean): Promise<number> {
  const begins = await firstTime(pool, `the chain of ${kitchenId} begins`);
  const { rows } = await pool.query('SELECT 1 FROM done_once WHERE name = $1', [
    `the chain of ${kitchenId} is begun`,
  ]);
  if (rows.length > 0) return 0;
  const sealed = fresh || !begins ? await sealRest(pool, kitchenId, null) : 0;
  await firstTime(pool, `the chain of ${kitchenId} is begun`);
  return sealed;
}

/**
 * Seals what a database had before it had a chain, and what an archive brought whose sealing was cut short. Run as
 * the server starts, as the owner.
 */
export async function sealOld(pool: pg.Pool): Promise<number> {
  const { rows } = await pool.query<{ id: string; fresh: boolean }>(
    'SELECT id, NOT EXISTS (SELECT 1 FROM seal s WHERE s.kitchen_id = k.id) AS fresh FROM kitchen k',
  );
  let sealed = 0;
  for (const { id, fresh } of rows) {
    sealed += await sealFirst(pool, id, fresh);
    sealed += await transaction(async (db) => {
      if (!(await firstTime(db, 'what decides what is shown is sealed'))) return 0;
      const { rows: found } = await db.query<Unsealed>(
        `SELECT source, id, received_at FROM to_seal t WHERE kitchen_id = $1 AND source = ANY($2)
           AND NOT EXISTS (SELECT 1 FROM seal s WHERE s.source = t.source AND s.id = t.id) ORDER BY received_at, id`,
        [id, LATER],
      );
      return found.length === 0 ? 0 : sealFound(db, id, found);
    }, pool);
    for (const { importId, ...brought } of await importsToSeal(pool, id)) {
      sealed += await sealRest(pool, id, brought);
      await importIsSealed(pool, importId);
    }
  }
  return sealed;
}

/** A part of the chain to follow: from after a link that was followed to, and no more than so many. */
export type ChainStretch = { readonly after: Head; readonly atMost: number };
const WHOLE: ChainStretch = { after: NO_LINK, atMost: Number.POSITIVE_INFINITY };

/** ms about the moment a link was made in which its row is looked for first. */
const ABOUT = 3_600_000;

/** Most of one kind asked the database for at the end. */
const MOST = 200;

/** Parts whose being put away stands in the chain, with as many lines as are said to be away. Of any other a line that is gone is gone. */
async function partsAway(db: Queryable): Promise<ReadonlySet<string>> {
  const { rows } = await db.query<{ part: string }>(
    `SELECT m.part FROM (SELECT DISTINCT ON (part) * FROM event_part_moved ORDER BY part, n DESC) m
     JOIN (SELECT part, count(*) AS lines FROM event_away GROUP BY part) a ON a.part = m.part AND a.lines = m.lines
     WHERE m.what = 'put away' AND EXISTS (SELECT 1 FROM seal s WHERE s.source = 'part_moved' AND s.id = m.id)`,
  );
  return new Set(rows.map((r) => r.part));
}

/**
 * Follows the kitchen’s whole chain: what was changed, removed or slipped in, and whether it still holds the `heads` somebody
 * kept; or a stretch of it, where only the last says what was slipped in and what is cut short. A row written this moment and not yet
 * sealed cannot be: both are one transaction.
 */
export async function verifyChain(
  db: Queryable,
  kitchenId: string,
  heads: readonly Head[],
  { after, atMost }: ChainStretch = WHOLE,
): Promise<ChainFollowed<Finding>> {
  const verifier = new Verifier(heads, after);
  const away = new Map<string, number>();
  const { n: of } = await readHead(db, kitchenId);
  let links = 0;
  let done = false;
  while (!done && links < atMost) {
    const some = Math.min(AT_A_TIME, atMost - links);
    const followed = await followSome(db, kitchenId, verifier, some, away);
    links += followed;
    done = followed < some;
  }
  if (done) {
    const { rows: loose } = await db.query<{ source: SealedSource; id: string }>(
      `SELECT t.source, t.id FROM to_seal t WHERE t.kitchen_id = $1
         AND NOT EXISTS (SELECT 1 FROM seal s WHERE s.source = t.source AND s.id = t.id) LIMIT $2`,
      [kitchenId, MOST],
    );
    for (const { source, id } of loose) verifier.slipped(source, id);
    const { rows: twice } = await db.query<{ source: SealedSource; id: string }>(
      `SELECT min(source) AS source, id FROM (SELECT 'batch_event' AS source, id FROM batch_event
         UNION ALL SELECT 'keep_event', id FROM keep_event) l GROUP BY id HAVING count(*) > 1 LIMIT $1`,
      [MOST],
    );
    for (const { source, id } of twice) verifier.twice(source, id);
    verifier.end();
  }
  const { head, findings, more } = verifier;
  return {
    links,
    head,
    findings,
    more,
    aside: await countAside(db),
    away: await readLinesAway(db, away),
    of: Math.max(of, head.n),
    done,
  };
}

/**
 * Has the next links followed, up to `atMost`, each with its row; counts in `away` those of each part that is put
 * away. Returns how many there were.
 */
async function followSome(
  db: Queryable,
  kitchenId: string,
  verifier: Verifier,
  atMost: number,
  away: Map<string, number>,
): Promise<number> {
  const { rows } = await db.query<Omit<Link, 'n'> & { n: string; sealed_at: Date }>(
    'SELECT n, source, id, row, hash, sealed_at FROM seal WHERE kitchen_id = $1 AND n > $2 ORDER BY n LIMIT $3',
    [kitchenId, verifier.head.n, atMost],
  );
  const stored = new Map<string, unknown>();
  const at = rows.map((r) => r.sealed_at);
  for (const source of SEALED) {
    const ids = rows.filter((r) => r.source === source).map((r) => r.id);
    if (ids.length === 0) continue;
    for (const [id, row] of await rowsSealed(db, { source, ids }, at)) stored.set(`${source} ${id}`, row);
  }
  const gone = rows.filter((r) => !stored.has(`${r.source} ${r.id}`)).map((r) => r.id);
  const parts = gone.length > 0 ? await readPartOf(db, gone) : new Map<string, string>();
  const put = parts.size > 0 ? await partsAway(db) : new Set<string>();
  for (const { n, sealed_at, ...link } of rows) {
    const row = stored.get(`${link.source} ${link.id}`);
    const in_ = row === undefined && link.source === 'batch_event' ? parts.get(link.id) : undefined;
    const part = in_ !== undefined && put.has(in_) ? in_ : undefined;
    if (part !== undefined) away.set(part, (away.get(part) ?? 0) + 1);
    verifier.take({ ...link, n: Number(n) }, part === undefined ? row : AWAY, sealed_at.getTime());
  }
  return rows.length;
}

/** Rows of links by when those were made: what was sealed as it was written lies about there, the rest is looked for everywhere. */
async function rowsSealed(
  db: Queryable,
  { source, ids }: ToSeal,
  sealed: readonly Date[],
): Promise<ReadonlyMap<string, unknown>> {
  const near = await rowsOf(db, { source, ids }, spanOf(sealed, ABOUT));
  const rest = ids.filter((id) => !near.has(id));
  return rest.length === 0 ? near : new Map([...near, ...(await rowsOf(db, { source, ids: rest }))]);
}
