import type { AnswerTold, KitchenFigures, PublishedAnswer } from '../../contract/groups';
import type { Queryable } from '../data/database';

/** Kitchens of which anything waits to be logged or learned. */
export async function readKitchensToLog(db: Queryable): Promise<readonly string[]> {
  const { rows } = await db.query<{ id: string }>('SELECT kitchens_to_log() AS id');
  return rows.map((r) => r.id);
}

/** Whether there is another kitchen beside this one. */
export async function areSeveral(db: Queryable): Promise<boolean> {
  const { rows } = await db.query<{ several: boolean }>('SELECT only_kitchen() IS NULL AS several');
  return rows[0]?.several ?? false;
}

/** All kitchens of this database, by their ids. */
export async function readKitchenIds(db: Queryable): Promise<readonly string[]> {
  const { rows } = await db.query<{ id: string }>('SELECT kitchen_ids() AS id');
  return rows.map((r) => r.id);
}

/** Whether the application has a role of its own here, which sees no more than is its to see. Asked by the owner. */
export async function hasOwnRole(db: Queryable): Promise<boolean> {
  const { rowCount } = await db.query(
    `SELECT 1 FROM pg_class c, aclexplode(c.relacl) a
     WHERE c.oid = 'kitchen'::regclass AND a.grantee NOT IN (0, c.relowner) LIMIT 1`,
  );
  return rowCount === 1;
}

export type GroupRow = {
  readonly id: string;
  readonly name: string;
  readonly head: string;
  readonly kitchens: readonly string[];
};

/** Groups there are, with their kitchens. */
export async function readGroups(db: Queryable): Promise<readonly GroupRow[]> {
  const { rows } = await db.query<GroupRow>(
    `SELECT g.id, g.name, g.head_id AS head,
       ARRAY(SELECT m.kitchen_id FROM group_member m WHERE m.group_id = g.id ORDER BY 1) AS kitchens
     FROM kitchen_group g ORDER BY g.id`,
  );
  return rows;
}

/** Makes a group of these kitchens, led by one of them, or changes the one of that id. Run as the owner, in a transaction. */
export async function writeGroup(db: Queryable, group: GroupRow): Promise<void> {
  await db.query(
    `INSERT INTO kitchen_group (id, name, head_id) VALUES ($1, $2, $3)
     ON CONFLICT (id) DO UPDATE SET name = excluded.name, head_id = excluded.head_id`,
    [group.id, group.name, group.head],
  );
  await db.query('DELETE FROM group_member WHERE group_id = $1 AND kitchen_id <> ALL($2)', [
    group.id,
    group.kitchens,
  ]);
  await db.query(
    `INSERT INTO group_member (kitchen_id, group_id) SELECT k, $1 FROM unnest($2::text[]) k
     ON CONFLICT (kitchen_id) DO UPDATE SET group_id = excluded.group_id`,
    [group.id, group.kitchens],
  );
}

/** The group the kitchen that is asked for is in, and whether it leads it; null where it is in none. */
export async function readGroup(
  db: Queryable,
): Promise<{ readonly id: string; readonly name: string; readonly leads: boolean } | null> {
  const { rows } = await db.query<{ id: string; name: string; leads: boolean }>(
    'SELECT g.id, g.name, g.head_id = asked_kitchen() AS leads FROM kitchen_group g WHERE g.id = asked_group()',
  );
  return rows[0] ?? null;
}

export type Published = {
  readonly id: string;
  readonly kind: 'recipe' | 'rules';
  readonly subject: string;
  readonly edition: number;
  readonly body: unknown;
  readonly note: string;
  readonly by: string;
  readonly at: string;
  readonly answer: PublishedAnswer | null;
  readonly takenAs: number | null;
};

/** The newest edition of everything published to a group, the latest first, with what this kitchen said to it. */
export async function readPublished(db: Queryable, groupId: string): Promise<readonly Published[]> {
  const { rows } = await db.query<
    Omit<Published, 'by' | 'at' | 'takenAs'> & {
      made_by: string;
      published_at: Date;
      taken_as: number | null;
    }
  >(
    `SELECT p.id, p.kind, p.subject, p.edition, p.body, p.note, p.made_by, p.published_at, a.answer, a.taken_as
     FROM (SELECT DISTINCT ON (kind, subject) * FROM published WHERE group_id = $1 ORDER BY kind, subject, edition DESC) p
     LEFT JOIN LATERAL (SELECT answer, taken_as FROM published_answer a
       WHERE a.kitchen_id = asked_kitchen() AND a.published_id = p.id ORDER BY n DESC LIMIT 1) a ON true
     ORDER BY p.published_at DESC, p.id`,
    [groupId],
  );
  return rows.map(({ made_by, published_at, taken_as, ...p }) => ({
    ...p,
    by: made_by,
    at: published_at.toISOString(),
    takenAs: taken_as,
  }));
}

/** Publishes the next edition of something; its number. */
export async function writePublished(
  db: Queryable,
  groupId: string,
  p: Pick<Published, 'id' | 'kind' | 'subject' | 'body' | 'note' | 'by'>,
): Promise<number> {
  const { rows } = await db.query<{ edition: number }>(
    `INSERT INTO published (id, group_id, kind, subject, edition, body, note, made_by)
     SELECT $1, $2, $3, $4, coalesce(max(edition), 0) + 1, $5::jsonb, $6, $7
     FROM published WHERE (group_id, kind, subject) = ($2, $3, $4) RETURNING edition`,
    [p.id, groupId, p.kind, p.subject, JSON.stringify(p.body), p.note, p.by],
  );
  return rows[0]?.edition ?? 1;
}

export const writeAnswer = (
  db: Queryable,
  kitchenId: string,
  a: {
    readonly published: string;
    readonly answer: PublishedAnswer;
    readonly takenAs: number | null;
    readonly by: string;
  },
) =>
  db.query(
    `INSERT INTO published_answer (kitchen_id, published_id, answer, taken_as, made_by) VALUES ($1, $2, $3, $4, $5)`,
    [kitchenId, a.published, a.answer, a.takenAs, a.by],
  );

/** How each kitchen of the group answered what is newest, to the one that leads. */
export async function readAnswers(
  db: Queryable,
): Promise<readonly (AnswerTold & { readonly published: string })[]> {
  const { rows } = await db.query<AnswerTold & { published: string }>(
    'SELECT published, kitchen, name, answer FROM group_answers()',
  );
  return rows;
}

/** Counts of the group’s kitchens over the last `days`, to the one that leads. */
export async function readFigures(db: Queryable, days: number): Promise<readonly KitchenFigures[]> {
  const { rows } = await db.query<Record<string, string> & { last_line: Date | null }>(
    "SELECT * FROM group_figures(now() - $1 * interval '1 day')",
    [days],
  );
  return rows.map((r) => ({
    kitchen: r.kitchen ?? '',
    name: r.name ?? '',
    batches: Number(r.batches),
    first: Number(r.first),
    putRight: Number(r.put_right),
    outside: Number(r.outside),
    untested: Number(r.untested),
    thrown: Number(r.thrown),
    binned: Number(r.binned),
    tooSlow: Number(r.too_slow),
    lastLine: r.last_line?.toISOString() ?? null,
    waiting: Number(r.waiting),
    declined: Number(r.declined),
  }));
}
