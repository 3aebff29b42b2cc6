import { setTimeout } from 'node:timers/promises';
import type { Lesson } from '../../core/learn/own/batch/lesson';
import { afterAct, type ByHand, type HandAct, NOTHING_BY_HAND } from '../../core/learn/own/byHand';
import { type Knowledge, NOTHING_LEARNED } from '../../core/learn/own/knowledge';
import type { Did, LearnedNumbers } from '../../core/learn/own/teach';
import { type Landed, type Logged, landedAs } from '../../core/log/logged';
import type { Queryable } from '../data/database';
import { goneWithImports } from './imports';

/** Ids of batches to be logged, the first that came first, at most `most`. */
export async function readToLog(db: Queryable, kitchenId: string, most: number): Promise<readonly string[]> {
  const { rows } = await db.query<{ batch_id: string }>(
    'SELECT batch_id FROM to_log WHERE kitchen_id = $1 ORDER BY n LIMIT $2',
    [kitchenId, most],
  );
  return rows.map((r) => r.batch_id);
}

/** How many are still to be logged. */
export async function countToLog(db: Queryable, kitchenId: string): Promise<number> {
  const { rows } = await db.query<{ n: number }>(
    'SELECT count(*)::int AS n FROM to_log WHERE kitchen_id = $1',
    [kitchenId],
  );
  return rows[0]?.n ?? 0;
}

/** Whether a batch was left out before it was taken in: what was done last about it counts. */
const LEFT_OUT = (batch: string): string =>
  `coalesce((SELECT a.body ->> 'kind' = 'leave out' FROM learning_act a
     WHERE a.body ? 'batch' AND a.body ->> 'batch' = ${batch} AND a.kitchen_id = $1
       AND NOT ${goneWithImports('newActs', 'a.id')} ORDER BY a.at DESC, a.id LIMIT 1), false)`;

/** Takes a batch off the list of those to be logged: what is written of it from now on puts it there again. */
export const startLogging = (db: Queryable, batch: string) =>
  db.query('DELETE FROM to_log WHERE batch_id = $1', [batch]);

/** What a batch is found by. */
const wordsOf = (b: Logged): string => [b.name, b.pot, b.burner, b.role, b.note, ...b.corrections].join(' ');

export const writeLogged = (db: Queryable, kitchenId: string, b: Logged) =>
  db.query(
    `INSERT INTO logged (batch_id, kitchen_id, recipe_id, started_at, words, body, landed)
     VALUES ($1, $2, $3, $4, to_tsvector('simple', $5), $6::jsonb, $7)
     ON CONFLICT (batch_id) DO UPDATE SET words = excluded.words, body = excluded.body, landed = excluded.landed`,
    [b.id, kitchenId, b.recipeId, b.startedAt, wordsOf(b), JSON.stringify(b), landedAs(b)],
  );

/** Batches at once to a statement. */
const TOGETHER = 2000;

/** Writes many that were not cooked here; the ids of those that were not there before. */
export async function writeAllLogged(
  db: Queryable,
  kitchenId: string,
  batches: readonly Logged[],
): Promise<readonly string[]> {
  const fresh: string[] = [];
  for (let n = 0; n < batches.length; n += TOGETHER) {
    const some = batches.slice(n, n + TOGETHER);
    const { rows } = await db.query<{ id: string }>(
      `INSERT INTO logged (batch_id, kitchen_id, recipe_id, started_at, words, body, landed)
       SELECT DISTINCT ON (d.id) d.id, $1, d.recipe, d.at, to_tsvector('simple', d.words), d.body, d.landed
       FROM unnest($2::uuid[], $3::text[], $4::timestamptz[], $5::text[], $6::jsonb[], $7::text[])
         AS d(id, recipe, at, words, body, landed)
       ON CONFLICT (batch_id) DO NOTHING RETURNING batch_id AS id`,
      [
        kitchenId,
        some.map((b) => b.id),
        some.map((b) => b.recipeId),
        some.map((b) => b.startedAt),
        some.map(wordsOf),
        some.map((b) => JSON.stringify(b)),
        some.map(landedAs),
      ],
    );
    fresh.push(...rows.map((r) => r.id));
  }
  return fresh;
}

/** Writes lessons that are taken in with all others, from the first on. */
export const writeLessons = (db: Queryable, kitchenId: string, lessons: readonly Lesson[]) =>
  db.query(
    `INSERT INTO lesson (batch_id, kitchen_id, at, body, left_out)
     SELECT DISTINCT ON (d.id) d.id, $1, d.at, d.body, ${LEFT_OUT('d.id::text')} FROM unnest($2::uuid[], $3::timestamptz[], $4::jsonb[]) AS d(id, at, body)
     ON CONFLICT (batch_id) DO NOTHING`,
    [kitchenId, lessons.map((l) => l.id), lessons.map((l) => l.at), lessons.map((l) => JSON.stringify(l))],
  );

/** Takes batches out of the log that count no more: those a notebook brought, and those kept no longer. What they taught goes with them. */
export async function unlogAll(
  db: Queryable,
  kitchenId: string,
  { past, batches }: { readonly past: readonly string[]; readonly batches: readonly string[] },
): Promise<boolean> {
  const { rowCount } = await db.query(
    `DELETE FROM logged g WHERE kitchen_id = $1 AND (g.batch_id = ANY($2::uuid[]) AND g.body ? 'fromNotebook'
       OR g.batch_id = ANY($3::uuid[]) AND NOT EXISTS (SELECT 1 FROM kept_batch k WHERE k.id = g.batch_id))`,
    [kitchenId, past, batches],
  );
  await db.query(
    'DELETE FROM lesson l WHERE kitchen_id = $1 AND l.batch_id = ANY($2::uuid[]) AND NOT EXISTS (SELECT 1 FROM logged g WHERE g.batch_id = l.batch_id)',
    [kitchenId, [...past, ...batches]],
  );
  return (rowCount ?? 0) > 0;
}

/** Has batches off the stove that are not in the log put there. */
export const toBeLogged = (db: Queryable, batches: readonly string[]) =>
  db.query(
    `INSERT INTO to_log (batch_id, kitchen_id) SELECT k.id, k.kitchen_id FROM kept_batch k
     WHERE k.id = ANY($1::uuid[]) AND k.off_stove_at IS NOT NULL AND NOT EXISTS (SELECT 1 FROM logged g WHERE g.batch_id = k.id)
     ON CONFLICT (batch_id) DO NOTHING`,
    [batches],
  );

/** Which lessons are left out, by all that was said of it that stands. */
export const leaveOutAnew = (db: Queryable, kitchenId: string) =>
  db.query(
    `UPDATE lesson l SET left_out = n.left_out
     FROM (SELECT batch_id, ${LEFT_OUT('batch_id::text')} AS left_out FROM lesson WHERE kitchen_id = $1) n
     WHERE l.batch_id = n.batch_id AND l.left_out <> n.left_out`,
    [kitchenId],
  );

/** All lessons are to be gone through again from the first. */
export const askAnew = (db: Queryable, kitchenId: string) =>
  db.query(
    `INSERT INTO learned (kitchen_id, revision, body, own, anew) VALUES ($1, 1, $2::jsonb, $3::jsonb, true)
     ON CONFLICT (kitchen_id) DO UPDATE SET anew = true`,
    [kitchenId, JSON.stringify(NOTHING_LEARNED), JSON.stringify({ pot: {}, pace: {} })],
  );

/** What is on the stove again is no longer logged. */
export async function unlog(db: Queryable, batch: string): Promise<boolean> {
  await db.query('DELETE FROM logged WHERE batch_id = $1', [batch]);
  const { rowCount } = await db.query('DELETE FROM lesson WHERE batch_id = $1', [batch]);
  return rowCount === 1;
}

export async function readLesson(db: Queryable, batch: string): Promise<Lesson | null> {
  const { rows } = await db.query<{ body: Lesson }>('SELECT body FROM lesson WHERE batch_id = $1', [batch]);
  return rows[0]?.body ?? null;
}

/** Writes what a batch teaches; false where it was left out, and teaches nothing. */
export async function writeLesson(
  db: Queryable,
  kitchenId: string,
  lesson: Lesson,
  did: Did,
): Promise<boolean> {
  const { rows } = await db.query<{ left_out: boolean }>(
    `INSERT INTO lesson (batch_id, kitchen_id, at, body, did, left_out)
     VALUES ($2::uuid, $1, $3, $4::jsonb, $5::jsonb, ${LEFT_OUT('$2::uuid::text')})
     ON CONFLICT (batch_id) DO UPDATE SET body = excluded.body, did = excluded.did RETURNING left_out`,
    [kitchenId, lesson.id, lesson.at, JSON.stringify(lesson), JSON.stringify(did)],
  );
  return rows[0]?.left_out === false;
}

export const writeDid = (db: Queryable, batches: readonly string[], did: readonly Did[]) =>
  db.query(
    'UPDATE lesson l SET did = d.did FROM unnest($1::uuid[], $2::jsonb[]) AS d(id, did) WHERE l.batch_id = d.id',
    [batches, did.map((d) => JSON.stringify(d))],
  );

/** Lessons that count, by when their batch was started, `most` from after one on. */
export async function readLessons(
  db: Queryable,
  kitchenId: string,
  after: { readonly at: string; readonly id: string } | null,
  most: number,
): Promise<readonly Lesson[]> {
  const { rows } = await db.query<{ body: Lesson }>(
    `SELECT body FROM lesson WHERE kitchen_id = $1 AND NOT left_out
       AND ($2::timestamptz IS NULL OR (at, batch_id) > ($2::timestamptz, $3::uuid))
     ORDER BY at, batch_id LIMIT $4`,
    [kitchenId, after?.at ?? null, after?.id ?? null, most],
  );
  return rows.map((r) => r.body);
}

/** A lesson as it was taken in. */
export type TakenLesson = {
  readonly id: string;
  readonly at: string;
  readonly name: string | null;
  readonly recipeId: string | null;
  readonly leftOut: boolean;
  readonly did: Did;
};

const TAKEN = `SELECT l.batch_id, l.at, l.did, l.left_out, g.body ->> 'name' AS name, g.recipe_id
  FROM lesson l LEFT JOIN logged g USING (batch_id)`;
type TakenRow = {
  batch_id: string;
  at: Date;
  did: Did;
  left_out: boolean;
  name: string | null;
  recipe_id: string | null;
};
const takenOf = (r: TakenRow): TakenLesson => ({
  id: r.batch_id,
  at: r.at.toISOString(),
  name: r.name,
  recipeId: r.recipe_id,
  leftOut: r.left_out,
  did: r.did,
});

/** The newest lessons that bear on `key`, newest first. */
export async function readLessonsOf(
  db: Queryable,
  kitchenId: string,
  key: string,
  most: number,
): Promise<readonly TakenLesson[]> {
  const { rows } = await db.query<TakenRow>(
    `${TAKEN} WHERE l.kitchen_id = $1 AND l.batch_id IN (SELECT lessons_with($2)) ORDER BY l.at DESC, l.batch_id LIMIT $3`,
    [kitchenId, key, most],
  );
  return rows.map(takenOf);
}

/** The newest lessons, newest first; of one soup where it is named. */
export async function readNewestLessons(
  db: Queryable,
  kitchenId: string,
  most: number,
): Promise<readonly TakenLesson[]> {
  const { rows } = await db.query<TakenRow>(
    `${TAKEN} WHERE l.kitchen_id = $1 ORDER BY l.at DESC, l.batch_id LIMIT $2`,
    [kitchenId, most],
  );
  return rows.map(takenOf);
}

/** All a kitchen has learned; null before it has learned anything. */
export type LearnedRow = {
  readonly revision: number;
  readonly knowledge: Knowledge;
  readonly byHand: ByHand;
  readonly anew: boolean;
};

export async function readLearned(db: Queryable, kitchenId: string): Promise<LearnedRow | null> {
  const { rows } = await db.query<{ revision: string; body: Knowledge; by_hand: ByHand; anew: boolean }>(
    'SELECT revision, body, by_hand, anew FROM learned WHERE kitchen_id = $1',
    [kitchenId],
  );
  const [row] = rows;
  return row
    ? { revision: Number(row.revision), knowledge: row.body, byHand: row.by_hand, anew: row.anew }
    : null;
}

export const writeLearned = (
  db: Queryable,
  kitchenId: string,
  {
    knowledge,
    own,
    byHand,
    anew,
  }: { knowledge: Knowledge; own: LearnedNumbers; byHand: ByHand; anew: boolean },
) =>
  db.query(
    `INSERT INTO learned (kitchen_id, revision, body, own, by_hand, anew) VALUES ($1, 1, $2::jsonb, $3::jsonb, $4::jsonb, $5)
     ON CONFLICT (kitchen_id) DO UPDATE SET revision = learned.revision + 1, body = excluded.body, own = excluded.own,
       by_hand = excluded.by_hand, anew = excluded.anew`,
    [kitchenId, JSON.stringify(knowledge), JSON.stringify(own), JSON.stringify(byHand), anew],
  );

/** One at a time learns of a kitchen; true where this transaction now does. */
export async function holdLearning(db: Queryable, kitchenId: string): Promise<boolean> {
  const { rows } = await db.query<{ held: boolean }>(
    "SELECT pg_try_advisory_xact_lock(hashtext('learning'), hashtext($1)) AS held",
    [kitchenId],
  );
  return rows[0]?.held ?? false;
}

/** Waits until nobody else learns of a kitchen, so long at most (ms); whether this transaction now does. */
export async function waitToLearn(db: Queryable, kitchenId: string, most: number): Promise<boolean> {
  const ends = Date.now() + most;
  for (;;) {
    if (await holdLearning(db, kitchenId)) return true;
    if (Date.now() > ends) return false;
    await setTimeout(100);
  }
}

export const leaveOut = (db: Queryable, kitchenId: string, batch: string, out: boolean) =>
  db.query('UPDATE lesson SET left_out = $3 WHERE kitchen_id = $1 AND batch_id = $2', [
    kitchenId,
    batch,
    out,
  ]);

export const writeAct = (
  db: Queryable,
  kitchenId: string,
  { id, station, body }: { id: string; station: string; body: object },
) =>
  db.query(
    'INSERT INTO learning_act (id, kitchen_id, station, body) VALUES ($1, $2, $3, $4::jsonb) ON CONFLICT (id) DO NOTHING',
    [id, kitchenId, station, JSON.stringify(body)],
  );

/** What somebody did about it, as an archive keeps it. */
export type KeptAct = {
  readonly id: string;
  readonly at: string;
  readonly station: string;
  readonly body: HandAct;
};

/** All that was done by hand, the first first. */
export async function readActs(db: Queryable, kitchenId: string): Promise<readonly KeptAct[]> {
  const { rows } = await db.query<{ id: string; at: Date; station: string; body: HandAct }>(
    `SELECT id, at, station, body FROM learning_act a
     WHERE kitchen_id = $1 AND NOT ${goneWithImports('newActs', 'a.id')} ORDER BY at, id`,
    [kitchenId],
  );
  return rows.map((r) => ({ ...r, at: r.at.toISOString() }));
}

/** Writes what an archive has of it, with its own day. True when it was new. */
export async function bringAct(db: Queryable, kitchenId: string, a: KeptAct): Promise<boolean> {
  const { rows } = await db.query<{ is_new: boolean }>(
    'SELECT bring_act($1, $2, $3, $4, $5::jsonb) AS is_new',
    [a.id, kitchenId, a.at, a.station, JSON.stringify(a.body)],
  );
  return rows[0]?.is_new ?? false;
}

/** What stands by hand, worked out from all that was done, as after some of it was brought. */
export async function setByHandAnew(db: Queryable, kitchenId: string): Promise<void> {
  let byHand: ByHand = NOTHING_BY_HAND;
  for (const { body, at } of await readActs(db, kitchenId)) byHand = afterAct(byHand, body, at);
  await askAnew(db, kitchenId);
  await db.query('UPDATE learned SET by_hand = $2::jsonb WHERE kitchen_id = $1', [
    kitchenId,
    JSON.stringify(byHand),
  ]);
}

/** Batches of a notebook, with what each taught, `most` from after one on. */
export async function readPast(
  db: Queryable,
  kitchenId: string,
  after: { readonly at: string; readonly id: string } | null,
  most: number,
): Promise<readonly { readonly logged: Logged; readonly lesson: Lesson | null }[]> {
  const { rows } = await db.query<{ logged: Logged; lesson: Lesson | null }>(
    `SELECT g.body AS logged, l.body AS lesson FROM logged g LEFT JOIN lesson l USING (batch_id)
     WHERE g.kitchen_id = $1 AND g.body ? 'fromNotebook'
       AND ($2::timestamptz IS NULL OR (g.started_at, g.batch_id) > ($2::timestamptz, $3::uuid))
     ORDER BY g.started_at, g.batch_id LIMIT $4`,
    [kitchenId, after?.at ?? null, after?.id ?? null, most],
  );
  return rows;
}

/** What the log is asked for. */
export type LogAsked = {
  readonly words: string;
  readonly recipeId: string | null;
  readonly landed?: Landed | null;
  /** After this one, which was shown last. */
  readonly before: { readonly startedAt: string; readonly id: string } | null;
  readonly most: number;
};

/** The newest so many are looked through for words before the index of words is asked: a common word is among them. */
const NEAR = 2000;

/** Words (`$2`) as they are looked for: each as one begins. */
const WANTED = `(SELECT to_tsquery('simple', string_agg(quote_literal(w) || ':*', ' & ')) FROM regexp_split_to_table($2, '\\s+') AS w)`;

/** Batches as the log has them, newest first; of an import that was undone none. */
export async function readLogged(
  db: Queryable,
  kitchenId: string,
  asked: LogAsked,
): Promise<readonly Logged[]> {
  const words = asked.words.trim();
  const look = async (near: boolean): Promise<readonly Logged[]> => {
    const has = near ? `g.words @@ ${WANTED}` : `g.batch_id IN (SELECT logged_with(${WANTED}))`;
    const { rows } = await db.query<{ body: Logged }>(
      `SELECT g.body FROM ${near ? `(SELECT * FROM logged n WHERE n.kitchen_id = $1 AND ${BEFORE('n')} ORDER BY n.started_at DESC, n.batch_id DESC LIMIT ${NEAR})` : 'logged'} g
       WHERE g.kitchen_id = $1
         AND ${words === '' ? '$2::text IS NOT NULL' : has}
         AND ($3::text IS NULL OR g.recipe_id = $3)
         AND ${BEFORE('g')}
         AND NOT EXISTS (SELECT 1 FROM imported_batch i JOIN import_undone u USING (import_id) WHERE i.batch_id = g.batch_id)
         AND ($7::text IS NULL OR g.landed = $7)
       ORDER BY g.started_at DESC, g.batch_id DESC LIMIT $6`,
      [
        kitchenId,
        words,
        asked.recipeId,
        asked.before?.startedAt ?? null,
        asked.before?.id ?? null,
        asked.most,
        asked.landed ?? null,
      ],
    );
    return rows.map((r) => r.body);
  };
  const found = words === '' ? null : await look(true);
  return found && found.length >= asked.most ? found : look(false);
}

/** Those after the one that was shown last. */
const BEFORE = (of: string): string =>
  `($4::timestamptz IS NULL OR (${of}.started_at, ${of}.batch_id) < ($4::timestamptz, $5::uuid))`;

/** Ids of the recipes of which anything was logged: each found by the index, however many batches there are of it. */
export async function readLoggedSoups(db: Queryable, kitchenId: string): Promise<ReadonlySet<string>> {
  const next = (after: string): string =>
    `SELECT recipe_id FROM logged WHERE kitchen_id = $1 ${after} ORDER BY recipe_id LIMIT 1`;
  const { rows } = await db.query<{ recipe_id: string }>(
    `WITH RECURSIVE soup AS ((${next('')}) UNION ALL
       SELECT (${next('AND recipe_id > soup.recipe_id')}) FROM soup WHERE soup.recipe_id IS NOT NULL)
     SELECT recipe_id FROM soup WHERE recipe_id IS NOT NULL`,
    [kitchenId],
  );
  return new Set(rows.map((r) => r.recipe_id));
}

/** The same of all from one day to another. */
export async function readLoggedBetween(
  db: Queryable,
  kitchenId: string,
  from: string,
  to: string,
): Promise<readonly Logged[]> {
  const { rows } = await db.query<{ body: Logged }>(
    `SELECT g.body FROM logged g
     WHERE g.kitchen_id = $1 AND g.started_at >= $2 AND g.started_at < $3
       AND NOT EXISTS (SELECT 1 FROM imported_batch i JOIN import_undone u USING (import_id) WHERE i.batch_id = g.batch_id)
     ORDER BY g.started_at, g.batch_id LIMIT 5000`,
    [kitchenId, from, to],
  );
  return rows.map((r) => r.body);
}

/** Every batch of the log, oldest first. */
export async function readWholeLog(db: Queryable, kitchenId: string): Promise<readonly Logged[]> {
  const { rows } = await db.query<{ body: Logged }>(
    `SELECT g.body FROM logged g WHERE g.kitchen_id = $1
       AND NOT EXISTS (SELECT 1 FROM imported_batch i JOIN import_undone u USING (import_id) WHERE i.batch_id = g.batch_id)
     ORDER BY g.started_at, g.batch_id`,
    [kitchenId],
  );
  return rows.map((r) => r.body);
}

export async function readLoggedOne(db: Queryable, kitchenId: string, id: string): Promise<Logged | null> {
  const { rows } = await db.query<{ body: Logged }>(
    'SELECT body FROM logged WHERE kitchen_id = $1 AND batch_id = $2',
    [kitchenId, id],
  );
  return rows[0]?.body ?? null;
}
