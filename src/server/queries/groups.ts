import type { Queryable } from '../data/database';

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
