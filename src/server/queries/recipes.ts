import { Recipe } from '../../core/plan/recipe';
import type { Queryable } from '../database';

export type StoredRecipe = { readonly version: number; readonly recipe: Recipe };

type Row = { version: number; body: unknown };

const LATEST = `
  SELECT DISTINCT ON (r.place, r.id) v.version, v.body
  FROM recipe r JOIN recipe_version v ON v.kitchen_id = r.kitchen_id AND v.recipe_id = r.id
  WHERE r.kitchen_id = $1`;

const read = (row: Row): StoredRecipe => ({ version: row.version, recipe: Recipe.parse(row.body) });

/** The latest version of every recipe, in the house's order. */
export async function readRecipes(db: Queryable, kitchenId: string): Promise<readonly StoredRecipe[]> {
  const { rows } = await db.query<Row>(`${LATEST} ORDER BY r.place, r.id, v.version DESC`, [kitchenId]);
  return rows.map(read);
}

export async function readRecipe(db: Queryable, kitchenId: string, id: string): Promise<StoredRecipe | null> {
  const { rows } = await db.query<Row>(`${LATEST} AND r.id = $2 ORDER BY r.place, r.id, v.version DESC`, [
    kitchenId,
    id,
  ]);
  return rows[0] ? read(rows[0]) : null;
}

/** Writes a new version of a recipe, given as its file says it, and returns the version's number. */
export async function writeRecipe(
  db: Queryable,
  kitchenId: string,
  body: { id: string },
  place: number,
): Promise<number> {
  await db.query(
    'INSERT INTO recipe (kitchen_id, id, place) VALUES ($1, $2, $3) ON CONFLICT (kitchen_id, id) DO NOTHING',
    [kitchenId, body.id, place],
  );
  const { rows } = await db.query<{ version: number }>(
    `INSERT INTO recipe_version (kitchen_id, recipe_id, version, body)
     SELECT $1, $2, coalesce(max(version), 0) + 1, $3::jsonb
     FROM recipe_version WHERE kitchen_id = $1 AND recipe_id = $2
     RETURNING version`,
    [kitchenId, body.id, JSON.stringify(body)],
  );
  return rows[0]?.version ?? 1;
}
