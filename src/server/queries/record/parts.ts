import type { PutAway } from '../../../core/record/awayWords';
import type { LinesAway } from '../../../core/record/followed';
import type { Queryable } from '../../data/database';

/** The file each part went to last. */
const FILES = `SELECT DISTINCT ON (part) part, what, file, sha256 FROM event_part_moved ORDER BY part, n DESC`;

/** Parts that are put away and may hold lines of a moment from `from` on: a line is received no more than a day before it is of. */
export async function readPartsAway(
  db: Queryable,
  from: string,
): Promise<readonly { readonly from: Date | null; readonly to: Date; readonly file: string }[]> {
  const { rows } = await db.query<{ low: Date | number; high: Date; file: string }>(
    `SELECT p.low, p.high, f.file FROM event_part p JOIN (${FILES}) f ON f.part = p.name
     WHERE f.what = 'put away' AND p.high > $1::timestamptz - interval '1 day' ORDER BY p.high`,
    [from],
  );
  return rows.map((r) => ({ from: r.low instanceof Date ? r.low : null, to: r.high, file: r.file }));
}

/** Of which of these batches lines are put away, and in which files. */
export async function readAway(
  db: Queryable,
  batches: readonly string[],
): Promise<ReadonlyMap<string, readonly PutAway[]>> {
  const { rows } = await db.query<{ batch_id: string; file: string; lines: number }>(
    `SELECT a.batch_id, f.file, a.lines FROM
       (SELECT batch_id, part, count(*)::int AS lines FROM event_away WHERE batch_id = ANY($1) GROUP BY batch_id, part) a
     JOIN (${FILES}) f USING (part) ORDER BY a.part`,
    [batches],
  );
  const away = new Map<string, PutAway[]>();
  for (const { batch_id, file, lines } of rows)
    away.set(batch_id, [...(away.get(batch_id) ?? []), { file, lines }]);
  return away;
}

/** The part each of these lines is put away in; one that is in none is not in the answer. */
export async function readPartOf(
  db: Queryable,
  ids: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  const { rows } = await db.query<{ id: string; part: string }>(
    'SELECT id, part FROM event_away WHERE id = ANY($1::uuid[])',
    [ids],
  );
  return new Map(rows.map((r) => [r.id, r.part]));
}

/** Where so many lines of each part are. */
export async function readLinesAway(
  db: Queryable,
  lines: ReadonlyMap<string, number>,
): Promise<readonly LinesAway[]> {
  if (lines.size === 0) return [];
  const { rows } = await db.query<{ part: string; file: string; sha256: string }>(
    `SELECT part, file, sha256 FROM (${FILES}) f WHERE part = ANY($1)`,
    [[...lines.keys()]],
  );
  return rows.map(({ part, file, sha256 }) => ({ file, sha256, lines: lines.get(part) ?? 0 }));
}

/** Lines that stand aside: two under one id, from before ids were used once. */
export async function countAside(db: Queryable): Promise<number> {
  const { rows } = await db.query<{ lines: number }>(
    'SELECT count(*)::int AS lines FROM quarantine WHERE mended_as IS NULL',
  );
  return rows[0]?.lines ?? 0;
}
