import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { open, rename, rm, stat } from 'node:fs/promises';
import { basename } from 'node:path';
import { createInterface } from 'node:readline';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import type pg from 'pg';
import * as z from 'zod';
import { hashOf } from '../../core/record/chain';
import { DAY_MS } from '../../core/units/moment';
import { transaction } from './database';

/**
 * The parts the record of batches is kept in, one for each month its lines were received in: made ahead, put away in a file, brought back.
 * All of it is the owner’s work: the application may do none of it.
 */

/** Months that have a part before they begin. What comes when there is none is kept by the last part. */
const AHEAD = 6;

/** What inspections ask for is at hand: no part goes before this many days are over since its month. Common practice, no source. */
const AT_HAND_DAYS = 92;

const AT_A_TIME = 2000;

/** Why a part cannot be put away or brought back, in words for whoever asked; nothing was changed. */
export class NotMoved extends Error {
  override readonly name = 'NotMoved';
}

/** A part of the record: a month as “2026-03”, or “before” for all that was there when parts began. */
export type Part = {
  readonly name: string;
  /** Null where it has no beginning. */
  readonly from: Date | null;
  readonly to: Date;
  readonly lines: number;
  readonly bytes: number;
  /** The file it was put away in. */
  readonly away: { readonly file: string; readonly sha256: string; readonly at: Date } | null;
};

/** Of a part `p`: where it went last. */
const LAST_MOVE =
  'LEFT JOIN LATERAL (SELECT * FROM event_part_moved m WHERE m.part = p.name ORDER BY n DESC LIMIT 1) m ON true';

const tableOf = (name: string): string => `batch_event_${name.replace('-', '_')}`;
const nameOf = (table: string): string => table.replace('batch_event_', '').replace('_', '-');

/** Makes the parts of this month and those to come. Returns the names of those made. */
export async function makeParts(db: pg.Pool, now = new Date()): Promise<readonly string[]> {
  const made: string[] = [];
  for (let n = 0; n <= AHEAD; n++) {
    const month = new Date(Date.UTC(now.getUTCFullYear(), now.getUTCMonth() + n, 1));
    const { rows } = await db.query<{ made: boolean }>('SELECT make_event_part($1) AS made', [month]);
    if (rows[0]?.made) made.push(month.toISOString().slice(0, 7));
  }
  // Of a whole that is in parts nothing is counted by itself.
  if (made.length > 0) await db.query('ANALYZE batch_event');
  return made;
}

/** All parts, oldest first. */
export async function listParts(db: pg.Pool): Promise<readonly Part[]> {
  const { rows } = await db.query<{
    name: string;
    low: Date | number;
    high: Date;
    lines: string | null;
    bytes: string | null;
    what: string | null;
    file: string;
    sha256: string;
    at: Date;
    moved: string;
  }>(
    `SELECT p.name, p.low, p.high, m.what, m.file, m.sha256, m.at, m.lines AS moved,
       s.n_live_tup AS lines, pg_total_relation_size(s.relid) AS bytes
     FROM event_part p
     LEFT JOIN pg_stat_user_tables s ON s.relname = p.name AND s.schemaname = 'public'
     ${LAST_MOVE}
     ORDER BY p.high`,
  );
  return rows.map((r) => {
    const away = r.what === 'put away' ? { file: r.file, sha256: r.sha256, at: r.at } : null;
    return {
      name: nameOf(r.name),
      from: r.low instanceof Date ? r.low : null,
      to: r.high,
      lines: Number(away ? r.moved : (r.lines ?? 0)),
      bytes: Number(r.bytes ?? 0),
      away,
    };
  });
}

async function known(db: Pick<pg.Pool, 'query'>, name: string) {
  const { rows } = await db.query<{
    low: string;
    high: string;
    what: string | null;
    n: number | null;
    sha256: string | null;
  }>(
    `SELECT p.low::text, p.high::text, m.what, m.n, m.sha256 FROM event_part p
     ${LAST_MOVE}
     WHERE p.name = $1`,
    [tableOf(name)],
  );
  const [part] = rows;
  if (!part) {
    const { rows: all } = await db.query<{ name: string }>('SELECT name FROM event_part ORDER BY high');
    throw new NotMoved(`there is no part “${name}”: there are ${all.map((p) => nameOf(p.name)).join(', ')}`);
  }
  return { ...part, table: tableOf(name), away: part.what === 'put away' };
}

/** Why the lines of a part cannot go, or null. */
async function holdsBack(db: pg.PoolClient, table: string): Promise<string | null> {
  const { rows: living } = await db.query<{ name: string; started_at: Date }>(
    `SELECT b.plan ->> 'recipeName' AS name, b.started_at FROM batch b
     WHERE b.over_at IS NULL AND EXISTS (SELECT 1 FROM ${table} e WHERE e.batch_id = b.id) ORDER BY started_at LIMIT 5`,
  );
  if (living.length > 0)
    return `it has lines of batches that are not over (${living
      .map((b) => `${b.name} of ${b.started_at.toISOString().slice(0, 10)}`)
      .join(', ')}): end or clear them first`;
  const { rows: open } = await db.query(
    `SELECT 1 FROM ${table} e WHERE NOT EXISTS (SELECT 1 FROM seal s WHERE s.source = 'batch_event' AND s.id = e.id) LIMIT 1`,
  );
  return open.length > 0 ? 'it has lines that are not sealed yet: start Panache once, it seals them' : null;
}

/** SHA-256 of a file, hex. */
async function sumOf(file: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const piece of createReadStream(file)) hash.update(piece as Buffer);
  return hash.digest('hex');
}

async function* linesOf(db: pg.PoolClient, name: string, table: string): AsyncGenerator<string> {
  const { rows } = await db.query<{ low: string; high: string; lines: string }>(
    `SELECT low::text, high::text, (SELECT count(*) FROM ${table}) AS lines FROM event_part WHERE name = $1`,
    [table],
  );
  yield `${JSON.stringify({ format: 'panache.lines/1', part: name, from: rows[0]?.low, to: rows[0]?.high, lines: Number(rows[0]?.lines) })}\n`;
  await db.query(
    `DECLARE lines NO SCROLL CURSOR FOR SELECT jsonb_build_object('line', event_row(t::batch_event),
       'started', to_char(t.batch_started_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'))::text AS line
     FROM ${table} t ORDER BY seq`,
  );
  for (;;) {
    const { rows: found } = await db.query<{ line: string }>(`FETCH ${AT_A_TIME} FROM lines`);
    if (found.length === 0) break;
    yield `${found.map((f) => f.line).join('\n')}\n`;
  }
  await db.query('CLOSE lines');
}

/**
 * Writes the lines of a part to `file` (gzip of JSON lines, `panache.lines/1`) and takes it out of the database; what the chain says of
 * them stays. Nobody’s tap waits but for the moment it is taken out. Refuses with {@link NotMoved} what is younger than three months, what
 * has lines of batches that are not over, and a file that is there already. Returns lines and the file’s SHA-256.
 */
export async function putAway(
  db: pg.Pool,
  name: string,
  file: string,
  now = new Date(),
): Promise<{ readonly lines: number; readonly sha256: string }> {
  if (await stat(file).catch(() => null)) throw new NotMoved(`${file} is there already: name another`);
  const unfinished = `${file}.unfinished`;
  try {
    return await transaction(async (tx) => {
      const part = await known(tx, name);
      if (part.away) throw new NotMoved(`${name} is put away already`);
      const young = new Date(part.high).getTime() + AT_HAND_DAYS * DAY_MS;
      if (young > now.getTime())
        throw new NotMoved(
          `${name} holds lines of less than ${AT_HAND_DAYS} days ago: not before ${new Date(young).toISOString().slice(0, 10)}`,
        );
      // Nothing is added to it meanwhile; whatever else there is goes on.
      await tx.query(`LOCK TABLE ${part.table} IN SHARE MODE`);
      const back = await holdsBack(tx, part.table);
      if (back) throw new NotMoved(`${name} stays: ${back}`);
      await pipeline(
        Readable.from(linesOf(tx, name, part.table)),
        createGzip(),
        createWriteStream(unfinished),
      );
      const kept = await open(unfinished, 'r+');
      await kept.sync().finally(() => kept.close());
      const sha256 = await sumOf(unfinished);
      const { rowCount } = await tx.query(
        `INSERT INTO event_away (id, batch_id, part) SELECT id, batch_id, $1 FROM ${part.table}`,
        [part.table],
      );
      const lines = rowCount ?? 0;
      await tx.query(
        `INSERT INTO event_part_moved (part, n, what, lines, sha256, file) VALUES ($1, $2, 'put away', $3, $4, $5)`,
        [part.table, (part.n ?? 0) + 1, lines, sha256, basename(file)],
      );
      // In its place before it is let go of: a line is in the database, in the file, or in both.
      await rename(unfinished, file);
      await tx.query(`ALTER TABLE batch_event DETACH PARTITION ${part.table}`);
      await tx.query(`DROP TABLE ${part.table}`);
      return { lines, sha256 };
    }, db);
  } finally {
    await rm(unfinished, { force: true });
  }
}

const Head = z.object({
  format: z.literal('panache.lines/1'),
  part: z.string(),
  from: z.string(),
  to: z.string(),
  lines: z.int().min(0),
});

/** Lines of a file, several at a time, each with its number. */
async function* readLines(file: string): AsyncGenerator<readonly string[]> {
  const text = createInterface({
    input: createReadStream(file).pipe(createGunzip()),
    crlfDelay: Number.POSITIVE_INFINITY,
  });
  let some: string[] = [];
  for await (const line of text) {
    some.push(line);
    if (some.length < AT_A_TIME) continue;
    yield some;
    some = [];
  }
  if (some.length > 0) yield some;
}

async function headOf(file: string): Promise<z.infer<typeof Head>> {
  try {
    for await (const [first = ''] of readLines(file)) return Head.parse(JSON.parse(first));
  } catch {
    // Said below: whatever it is, it is none of ours.
  }
  throw new NotMoved(`${file} is no file of panache.lines/1`);
}

/** Each line as the chain knows it; throws {@link NotMoved} for the first that is not. */
async function compareWithChain(db: pg.PoolClient, lines: readonly string[], first: number): Promise<void> {
  const rows = lines.map((text) => (JSON.parse(text) as { line: { id: string } }).line);
  const { rows: links } = await db.query<{ id: string; row: string }>(
    `SELECT id, row FROM seal WHERE source = 'batch_event' AND id = ANY($1::uuid[])`,
    [rows.map((r) => r.id)],
  );
  const sealed = new Map(links.map((l) => [l.id, l.row]));
  const wrong = rows.findIndex((row) => sealed.get(row.id) !== hashOf(row));
  if (wrong >= 0)
    throw new NotMoved(
      `line ${first + wrong} of the file is not what the chain of the record has (${rows[wrong]?.id})`,
    );
}

/**
 * Brings a part back from the `file` it was put away in: the very file, by its SHA-256, and each of its lines by the chain. Refuses with
 * {@link NotMoved}, and nothing was changed. Returns the part’s name and its lines.
 */
export async function bringBack(
  db: pg.Pool,
  file: string,
): Promise<{ readonly name: string; readonly lines: number }> {
  if (!(await stat(file).catch(() => null))) throw new NotMoved(`there is no file ${file}`);
  const head = await headOf(file);
  const part = await known(db, head.part);
  if (!part.away) throw new NotMoved(`${head.part} is not put away`);
  const sha256 = await sumOf(file);
  if (sha256 !== part.sha256)
    throw new NotMoved(
      `${file} is not the file ${head.part} was put away in: its SHA-256 is ${sha256}, not ${part.sha256}`,
    );
  // A table beside the record until all of it is there.
  await db.query(`DROP TABLE IF EXISTS ${part.table}`);
  await transaction(async (tx) => {
    await tx.query('SELECT bare_event_part($1)', [part.table]);
    // Known of each line as it comes: so that it need not be looked for when it is put in its place.
    await tx.query(
      `ALTER TABLE ${part.table} ADD CONSTRAINT within CHECK (received_at >= '${part.low}' AND received_at < '${part.high}')`,
    );
  }, db);
  try {
    return await transaction(async (tx) => {
      let lines = 0;
      let begun = false;
      for await (const some of readLines(file)) {
        // The first line of all says what follows.
        const own = begun ? some : some.slice(1);
        begun = true;
        await compareWithChain(tx, own, lines + 2);
        await tx.query(
          `INSERT INTO ${part.table} (id, batch_id, seq, at, received_at, station, body, clock_ms, batch_started_at)
           SELECT (l ->> 'id')::uuid, (l ->> 'batch')::uuid, (l ->> 'seq')::bigint, (l ->> 'at')::timestamp AT TIME ZONE 'UTC',
             (l ->> 'received')::timestamp AT TIME ZONE 'UTC', l ->> 'station', l -> 'body', (l ->> 'clock')::bigint,
             (t::jsonb ->> 'started')::timestamp AT TIME ZONE 'UTC'
           FROM unnest($1::text[]) AS t, LATERAL (SELECT t::jsonb -> 'line' AS l) AS line`,
          [own],
        );
        lines += own.length;
      }
      if (lines !== head.lines) throw new NotMoved(`${file} has ${lines} lines of ${head.lines}`);
      // What came for its moments while it was away.
      await tx.query(`ALTER TABLE batch_event_rest DISABLE TRIGGER append_only`);
      await tx.query(
        `WITH moved AS (DELETE FROM batch_event_rest WHERE received_at >= $1 AND received_at < $2 RETURNING *)
         INSERT INTO ${part.table} SELECT * FROM moved`,
        [part.low, part.high],
      );
      await tx.query(`ALTER TABLE batch_event_rest ENABLE TRIGGER append_only`);
      await tx.query(
        `ALTER TABLE batch_event ATTACH PARTITION ${part.table} FOR VALUES FROM (${part.low === '-infinity' ? 'MINVALUE' : `'${part.low}'`}) TO ('${part.high}')`,
      );
      await tx.query(`ALTER TABLE ${part.table} DROP CONSTRAINT within`);
      await tx.query('DELETE FROM event_away WHERE part = $1', [part.table]);
      await tx.query(
        `INSERT INTO event_part_moved (part, n, what, lines, sha256, file) VALUES ($1, $2, 'brought back', $3, $4, $5)`,
        [part.table, (part.n ?? 0) + 1, lines, sha256, basename(file)],
      );
      return { name: head.part, lines };
    }, db);
  } catch (error) {
    await db.query(`DROP TABLE IF EXISTS ${part.table}`);
    throw error;
  }
}
