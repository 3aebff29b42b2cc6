import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { open, rename, rm, stat } from 'node:fs/promises';
import { basename } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import type pg from 'pg';
import * as z from 'zod';
import { hashOf } from '../../core/record/chain';
import { DAY_MS } from '../../core/units/moment';
import { said } from '../log';
import { seal } from '../queries/record/seals';
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
/** Of batches, each with its plan. */
const BATCHES_AT_A_TIME = 20;

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

export const tableOf = (name: string): string => `batch_event_${name.replace('-', '_')}`;
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

/** Only one moves parts at a time, until the transaction ends: two would each wait for the other. */
async function holdParts(tx: pg.PoolClient): Promise<void> {
  const { rows } = await tx.query<{ mine: boolean }>(
    "SELECT pg_try_advisory_xact_lock(hashtext('panache parts')) AS mine",
  );
  if (!rows[0]?.mine) throw new NotMoved('another part is being moved: try again when that is done');
}

/** Writes down a move of a part, and seals it: what is away is so because this stands in the chain. */
async function writeMove(
  tx: pg.PoolClient,
  part: { readonly table: string; readonly n: number | null },
  what: 'put away' | 'brought back',
  lines: number,
  sha256: string,
  file: string,
): Promise<void> {
  const { rows } = await tx.query<{ id: string; kitchens: readonly string[] }>(
    `INSERT INTO event_part_moved (part, n, what, lines, sha256, file, kitchens)
     VALUES ($1, $2, $3, $4, $5, $6, ARRAY(SELECT id FROM kitchen ORDER BY id)) RETURNING id, kitchens`,
    [part.table, (part.n ?? 0) + 1, what, lines, sha256, basename(file)],
  );
  for (const { id, kitchens } of rows)
    for (const kitchen of kitchens) await seal(tx, kitchen, [{ source: 'part_moved', ids: [id] }]);
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

/** The line in a text of a file; null where it is none. */
function lineIn(text: string): { readonly id: string } | null {
  try {
    const { line } = JSON.parse(text);
    return typeof line?.id === 'string' ? line : null;
  } catch {
    return null;
  }
}

const unread = (says: string): never => {
  throw new NotMoved(says);
};

/** Each line as the chain knows it; throws {@link NotMoved} for the first that is not, in the words `says` has for it. */
async function compareWithChain(
  db: pg.PoolClient,
  lines: readonly string[],
  says: (id: string, n: number) => string,
): Promise<void> {
  const rows = lines.map((text, n) => lineIn(text) ?? unread(says('', n)));
  const { rows: links } = await db.query<{ id: string; row: string }>(
    `SELECT id, row FROM seal WHERE source = 'batch_event' AND id = ANY($1::uuid[])`,
    [rows.map((r) => r.id)],
  );
  const sealed = new Map(links.map((l) => [l.id, l.row]));
  const wrong = rows.findIndex((row) => sealed.get(row.id) !== hashOf(row));
  if (wrong >= 0) throw new NotMoved(says(rows[wrong]?.id ?? '', wrong));
}

/** What a link says, beside what it speaks of: by it a file stands for itself, whatever becomes of the database. */
const LINK = `(SELECT json_build_object('n', s.n, 'hash', s.hash) FROM seal s WHERE s.source = t.source AND s.id = t.id)`;

async function* linesOf(db: pg.PoolClient, name: string, table: string): AsyncGenerator<string> {
  const { rows } = await db.query<{ low: string; high: string; lines: string; batches: string }>(
    `SELECT low::text, high::text, (SELECT count(*) FROM ${table}) AS lines,
       (SELECT count(DISTINCT batch_id) FROM ${table}) AS batches FROM event_part WHERE name = $1`,
    [table],
  );
  yield `${JSON.stringify({ format: 'panache.lines/2', part: name, from: rows[0]?.low, to: rows[0]?.high, batches: Number(rows[0]?.batches), lines: Number(rows[0]?.lines) })}\n`;
  await db.query(
    `DECLARE batches NO SCROLL CURSOR FOR SELECT json_build_object('batch', t.row, 'link', ${LINK})::text AS line
     FROM to_seal t WHERE t.source = 'batch' AND t.id IN (SELECT batch_id FROM ${table}) ORDER BY t.received_at, t.id`,
  );
  for (;;) {
    const { rows: found } = await db.query<{ line: string }>(`FETCH ${BATCHES_AT_A_TIME} FROM batches`);
    if (found.length === 0) break;
    yield `${found.map((f) => f.line).join('\n')}\n`;
  }
  await db.query('CLOSE batches');
  await db.query(
    `DECLARE lines NO SCROLL CURSOR FOR SELECT json_build_object('line', t.row, 'started', t.started, 'link', ${LINK})::text AS line
     FROM (SELECT 'batch_event' AS source, e.id, e.seq, event_row(e::batch_event) AS row,
       to_char(e.batch_started_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US') AS started FROM ${table} e) t
     ORDER BY t.seq`,
  );
  for (;;) {
    const { rows: found } = await db.query<{ line: string }>(`FETCH ${AT_A_TIME} FROM lines`);
    if (found.length === 0) break;
    // What is not as it was sealed is not put away as if it were.
    await compareWithChain(
      db,
      found.map((f) => f.line),
      (of) =>
        `${name} stays: line ${of} is not what the chain of the record has; look into it with ./panache verify`,
    );
    yield `${found.map((f) => f.line).join('\n')}\n`;
  }
  await db.query('CLOSE lines');
}

/**
 * Writes the lines of a part to `file` (gzip of JSON lines, `panache.lines/2`, with their batches and links) and
 * takes it out of the database; what the chain says of
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
      await holdParts(tx);
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
      // In its place before it is let go of: a line is in the database, in the file, or in both.
      await rename(unfinished, file);
      await tx.query(`ALTER TABLE batch_event DETACH PARTITION ${part.table}`);
      await tx.query(`DROP TABLE ${part.table}`);
      // Last: whoever taps holds the lines’ table while waiting for the chain, never the other way round.
      await writeMove(tx, part, 'put away', lines, sha256, file);
      return { lines, sha256 };
    }, db);
  } finally {
    await rm(unfinished, { force: true });
  }
}

/** The first line of a file: what follows. */
const Head = z.object({
  format: z.enum(['panache.lines/1', 'panache.lines/2']),
  part: z.string(),
  from: z.string(),
  to: z.string(),
  batches: z.int().min(0).default(0),
  lines: z.int().min(0),
});

/** A text of a file that is no line of the record, but a batch that lines of it are of. */
export const isBatch = (text: string): boolean => text.startsWith('{"batch"');

/** Characters of a line after which it is none: a file that unpacks without end is not read to its end. */
const LONGEST_LINE = 4e6;

/** Lines of a file, several at a time. Throws {@link NotMoved} by its name where it is cut short, damaged or no such file. */
export async function* readLines(file: string): AsyncGenerator<readonly string[]> {
  const packed = createReadStream(file);
  const text = packed.pipe(createGunzip());
  packed.on('error', (error) => text.destroy(error));
  let some: string[] = [];
  let left = '';
  try {
    for await (const piece of text.setEncoding('utf8')) {
      const [first = '', ...rest] = (piece as string).split('\n');
      left += first;
      for (const next of rest) {
        some.push(left);
        left = next;
      }
      if (left.length > LONGEST_LINE) throw new NotMoved(`${file} has a line without end`);
      if (some.length < AT_A_TIME) continue;
      yield some;
      some = [];
    }
  } catch (error) {
    if (error instanceof NotMoved) throw error;
    throw new NotMoved(`${file} is no file of panache.lines, or it is cut short or damaged: ${said(error)}`);
  } finally {
    packed.destroy();
  }
  if (left) some.push(left);
  if (some.length > 0) yield some;
}

export async function headOf(file: string): Promise<z.infer<typeof Head>> {
  try {
    for await (const [first = ''] of readLines(file)) return Head.parse(JSON.parse(first));
  } catch (error) {
    if (error instanceof NotMoved) throw error;
    // Said below: whatever it is, it is none of ours.
  }
  throw new NotMoved(`${file} is no file of panache.lines`);
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
    await holdParts(tx);
    await tx.query('SELECT bare_event_part($1)', [part.table]);
    // Known of each line as it comes: so that it need not be looked for when it is put in its place.
    await tx.query(
      `ALTER TABLE ${part.table} ADD CONSTRAINT within CHECK (received_at >= '${part.low}' AND received_at < '${part.high}')`,
    );
  }, db);
  try {
    return await transaction(async (tx) => {
      await holdParts(tx);
      let lines = 0;
      let read = 0;
      for await (const some of readLines(file)) {
        // The first line of all says what follows, and batches stand before their lines.
        const own = some.slice(read === 0 ? 1 : 0).filter((t) => !isBatch(t));
        const first = read + some.length - own.length + 1;
        read += some.length;
        if (lines + own.length > head.lines)
          throw new NotMoved(`${file} has more than the ${head.lines} lines it says`);
        await compareWithChain(
          tx,
          own,
          (id, n) => `line ${first + n} of the file is not what the chain of the record has (${id})`,
        );
        await tx.query(
          `INSERT INTO ${part.table} (id, batch_id, seq, at, received_at, station, body, clock_ms, batch_started_at, via, kitchen_id)
           SELECT (l ->> 'id')::uuid, (l ->> 'batch')::uuid, (l ->> 'seq')::bigint, (l ->> 'at')::timestamp AT TIME ZONE 'UTC',
             (l ->> 'received')::timestamp AT TIME ZONE 'UTC', l ->> 'station', l -> 'body', (l ->> 'clock')::bigint,
             (t::jsonb ->> 'started')::timestamp AT TIME ZONE 'UTC', l -> 'via',
             (SELECT b.kitchen_id FROM batch b WHERE b.id = (l ->> 'batch')::uuid)
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
      await writeMove(tx, part, 'brought back', lines, sha256, file);
      return { name: head.part, lines };
    }, db);
  } catch (error) {
    await db.query(`DROP TABLE IF EXISTS ${part.table}`);
    throw error;
  }
}
