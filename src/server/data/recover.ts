import type pg from 'pg';
import * as z from 'zod';
import { type Head, hashOf, linkHash, type SealedSource } from '../../core/record/chain';
import { sealRest } from '../queries/record/seals';
import { transaction } from './database';
import { headOf, isBatch, NotMoved, readLines, tableOf } from './parts';

/** What a month put away in a file gave back to a database that was cut, and what neither has. */
type Recovered = {
  readonly name: string;
  /** Lines the file has; of those, here already, and put back. */
  readonly lines: number;
  readonly here: number;
  readonly back: number;
  readonly batchesBack: number;
  /** Batches that could not be put back, since the recipe they were cooked from is not here, and their lines. */
  readonly batchesMissing: readonly string[];
  readonly linesMissing: number;
  /** Links that follow one another in the file; and of the heads that were given, those it bears out. */
  readonly follow: number;
  readonly heads: readonly { readonly head: Head; readonly agrees: boolean }[];
};

const Linked = z.object({ n: z.number().int(), hash: z.string() }).nullable();
const Line = z.object({
  line: z.object({ id: z.uuid(), batch: z.uuid() }).loose(),
  started: z.string().nullable(),
  link: Linked,
});
const BatchLine = z.object({
  batch: z.object({ id: z.uuid(), kitchen: z.string(), recipe: z.string(), version: z.number() }).loose(),
  link: Linked,
});

type Entry =
  | ({ readonly source: 'batch' } & z.infer<typeof BatchLine>)
  | ({ readonly source: 'batch_event' } & z.infer<typeof Line>);

function entryOf(text: string, file: string, at: number): Entry {
  try {
    const value: unknown = JSON.parse(text);
    return isBatch(text)
      ? { source: 'batch', ...BatchLine.parse(value) }
      : { source: 'batch_event', ...Line.parse(value) };
  } catch {
    throw new NotMoved(`line ${at} of ${file} is no line of the record`);
  }
}

const rowOf = (e: Entry): { readonly id: string } => (e.source === 'batch' ? e.batch : e.line);

/** A row as it is sealed, where the chain here speaks of it: refused where that is another. */
async function refuseOther(
  db: pg.PoolClient,
  entries: readonly Entry[],
  file: string,
  first: number,
): Promise<void> {
  const { rows } = await db.query<{ source: SealedSource; id: string; row: string }>(
    'SELECT source, id, row FROM seal WHERE id = ANY($1::uuid[])',
    [entries.map((e) => rowOf(e).id)],
  );
  const sealed = new Map(rows.map((r) => [`${r.source} ${r.id}`, r.row]));
  const wrong = entries.findIndex((e) => {
    const known = sealed.get(`${e.source} ${rowOf(e).id}`);
    return known !== undefined && known !== hashOf(rowOf(e));
  });
  if (wrong >= 0)
    throw new NotMoved(
      `line ${first + wrong} of ${file} is not what the chain here has (${rowOf(entries[wrong] as Entry).id})`,
    );
}

async function putBatch(
  db: pg.PoolClient,
  { batch }: z.infer<typeof BatchLine>,
): Promise<'here' | 'back' | 'missing'> {
  const { rowCount: here } = await db.query('SELECT 1 FROM batch WHERE id = $1', [batch.id]);
  if (here) return 'here';
  const { rowCount } = await db.query(
    `INSERT INTO batch (id, kitchen_id, recipe_id, recipe_version, plan, started_at, serve_at, received_at, via)
     SELECT (b ->> 'id')::uuid, v.kitchen_id, v.recipe_id, v.version, b -> 'plan', (b ->> 'started')::timestamp AT TIME ZONE 'UTC',
       (b ->> 'serve')::timestamp AT TIME ZONE 'UTC', (b ->> 'received')::timestamp AT TIME ZONE 'UTC', b -> 'via'
     FROM (SELECT $1::jsonb AS b) t
     JOIN recipe_version v ON (v.kitchen_id, v.recipe_id, v.version) = (b ->> 'kitchen', b ->> 'recipe', (b ->> 'version')::integer)`,
    [JSON.stringify(batch)],
  );
  return rowCount === 1 ? 'back' : 'missing';
}

type Row = z.infer<typeof Line>['line'];

/** Of lines whose id was used, those that are not here. */
async function goneOf(db: pg.PoolClient, lines: readonly Row[]): Promise<readonly Row[]> {
  const { rows } = await db.query<{ id: string }>('SELECT id FROM batch_event WHERE id = ANY($1::uuid[])', [
    lines.map((l) => l.id),
  ]);
  const there = new Set(rows.map((r) => r.id));
  return lines.filter((l) => !there.has(l.id));
}

/** Lines the chain here speaks of and somebody removed: as they were, with their numbers, so that their links are right again. */
async function putInPlace(db: pg.PoolClient, lines: readonly Row[]): Promise<void> {
  await db.query('ALTER TABLE batch_event DISABLE TRIGGER batch_event_once');
  await db.query(
    `INSERT INTO batch_event (id, batch_id, seq, at, received_at, station, body, clock_ms, batch_started_at, via)
     OVERRIDING SYSTEM VALUE
     SELECT (l ->> 'id')::uuid, b.id, (l ->> 'seq')::bigint, (l ->> 'at')::timestamp AT TIME ZONE 'UTC',
       (l ->> 'received')::timestamp AT TIME ZONE 'UTC', l ->> 'station', l -> 'body', (l ->> 'clock')::bigint, b.started_at, l -> 'via'
     FROM unnest($1::jsonb[]) AS l JOIN batch b ON b.id = (l ->> 'batch')::uuid`,
    [lines.map((l) => JSON.stringify(l))],
  );
  await db.query('ALTER TABLE batch_event ENABLE TRIGGER batch_event_once');
}

/**
 * Puts back, from the `file` a month was put away in, what a database that was cut has not: batches and lines as they were, sealed
 * anew at the end of its chain, since their own links are gone with it. What is here stays; a line that is here otherwise, or that does
 * not follow from the one before it in the file, refuses the whole with {@link NotMoved}. `heads` that were kept are held against the file.
 */
export async function recover(db: pg.Pool, file: string, heads: readonly Head[]): Promise<Recovered> {
  const head = await headOf(file);
  if (head.format === 'panache.lines/1')
    throw new NotMoved(
      `${file} was put away without its batches and links: only ./panache bring-back can use it`,
    );
  const { rows: away } = await db.query<{ what: string }>(
    'SELECT what FROM event_part_moved WHERE part = $1 ORDER BY n DESC LIMIT 1',
    [tableOf(head.part)],
  );
  if (away[0]?.what === 'put away')
    throw new NotMoved(`${head.part} is put away, not lost: ./panache bring-back brings it back`);
  const back: string[] = [];
  const so = await transaction(async (tx) => {
    const missing = new Set<string>();
    const links = new Map<number, string>();
    let [lines, here, lost, follow, at] = [0, 0, 0, 0, 1];
    let restored = 0;
    /** Lines whose id is taken: they are here, or were. */
    const known: z.infer<typeof Line>['line'][] = [];
    for await (const some of readLines(file)) {
      const entries = some.slice(at === 1 ? 1 : 0).map((text, n) => entryOf(text, file, at + n + 1));
      await refuseOther(tx, entries, file, at + 1);
      at += some.length;
      for (const e of entries) {
        const { link } = e;
        if (link) {
          const before = links.get(link.n - 1);
          if (before !== undefined) {
            if (
              linkHash(before, link.n, { source: e.source, id: rowOf(e).id, row: hashOf(rowOf(e)) }) !==
              link.hash
            )
              throw new NotMoved(`line ${rowOf(e).id} of ${file} does not follow from the one before it`);
            follow += 1;
          }
          links.set(link.n, link.hash);
        }
        if (e.source === 'batch') {
          const was = await putBatch(tx, e);
          if (was === 'missing') missing.add(e.batch.id);
          if (was === 'back') back.push(e.batch.id);
          continue;
        }
        lines += 1;
        if (missing.has(e.line.batch)) {
          lost += 1;
          continue;
        }
        const { rowCount } = await tx.query(
          `INSERT INTO batch_event (id, batch_id, at, received_at, station, body, clock_ms, batch_started_at, via)
           SELECT (l ->> 'id')::uuid, b.id, (l ->> 'at')::timestamp AT TIME ZONE 'UTC', (l ->> 'received')::timestamp AT TIME ZONE 'UTC',
             l ->> 'station', l -> 'body', (l ->> 'clock')::bigint, b.started_at, l -> 'via'
           FROM (SELECT $1::jsonb AS l) t JOIN batch b ON b.id = (l ->> 'batch')::uuid`,
          [JSON.stringify(e.line)],
        );
        if (rowCount === 1) restored += 1;
        else known.push(e.line);
      }
    }
    const gone = await goneOf(tx, known);
    here = known.length - gone.length;
    if (gone.length > 0) await putInPlace(tx, gone);
    restored += gone.length;
    if (lines !== head.lines) throw new NotMoved(`${file} has ${lines} lines of ${head.lines}`);
    return { lines, here, linesMissing: lost, follow, missing: [...missing], links, restored };
  }, db);
  const { rows } = await db.query<{ id: string }>('SELECT id FROM kitchen ORDER BY id');
  // Lines of batches that were here are sealed with the rest of what no link speaks of.
  for (const { id } of rows) await sealRest(db, id, null);
  return {
    name: head.part,
    lines: so.lines,
    here: so.here,
    back: so.restored,
    batchesBack: back.length,
    batchesMissing: so.missing,
    linesMissing: so.linesMissing,
    follow: so.follow,
    heads: heads.flatMap((h) => {
      const hash = so.links.get(h.n);
      return hash === undefined ? [] : [{ head: h, agrees: hash === h.hash }];
    }),
  };
}
