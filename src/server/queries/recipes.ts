import { Recipe, type RecipeText } from '../../core/recipe/recipe';
import type { Queryable } from '../data/database';

type StoredRecipe = {
  readonly version: number;
  readonly recipe: Recipe;
  /** As its file says it, amounts as typed. */
  readonly body: RecipeBody;
  readonly madeAt: string;
  readonly archived: boolean;
};

/** A recipe as typed: what goes into the database and comes out unchanged. */
export type RecipeBody = RecipeText;

export type Version = {
  readonly version: number;
  readonly madeAt: string;
  /** Who saved it, by role, and why; empty when nobody said. */
  readonly by: string;
  readonly note: string;
  readonly body: RecipeBody;
};

type Row = { version: number; body: RecipeBody; made_at: Date; archived_at: Date | null };

/** A recipe as a list shows it. */
export type NamedRecipe = {
  readonly id: string;
  readonly name: string;
  readonly school: string;
  readonly band: string;
  readonly version: number;
  readonly madeAt: string;
  readonly archived: boolean;
  /** When a batch of it was last begun; null where none ever was. */
  readonly cookedAt: string | null;
};

/** Columns `of` the latest version of every recipe in use, archived ones too where `$2` says so, in the house’s order. */
const latest = (of: string) => `
  SELECT r.id, r.archived_at, ${of}
  FROM recipe r CROSS JOIN LATERAL (
    SELECT * FROM kept_version v WHERE v.kitchen_id = r.kitchen_id AND v.recipe_id = r.id
    ORDER BY v.version DESC LIMIT 1) v
  WHERE r.kitchen_id = $1 AND ($2 OR r.archived_at IS NULL)`;
const LAST_COOKED =
  '(SELECT max(b.started_at) FROM batch b WHERE b.kitchen_id = r.kitchen_id AND b.recipe_id = r.id)';
const IN_ORDER = 'ORDER BY r.place, r.id';
const WHOLE = 'v.version, v.body, v.made_at';

/** Recipes parsed before, by their text: a version never changes, and every page reads all of them. */
const parsed = new Map<string, Recipe>();
const MOST_PARSED = 3000;

function recipeIn(body: RecipeBody): Recipe {
  const text = JSON.stringify(body);
  const known = parsed.get(text);
  if (known) return known;
  const recipe = Recipe.parse(body);
  if (parsed.size >= MOST_PARSED) parsed.clear();
  parsed.set(text, recipe);
  return recipe;
}

const read = (row: Row): StoredRecipe => ({
  version: row.version,
  recipe: recipeIn(row.body),
  body: row.body,
  madeAt: row.made_at.toISOString(),
  archived: row.archived_at !== null,
});

/** The latest version of every recipe in use, in the house's order; archived ones too when asked. */
export async function readRecipes(
  db: Queryable,
  kitchenId: string,
  { archived = false } = {},
): Promise<readonly StoredRecipe[]> {
  const { rows } = await db.query<Row>(`${latest(WHOLE)} ${IN_ORDER}`, [kitchenId, archived]);
  return rows.map(read);
}

/** The same by name, without what is in them; the first `atMost` where that is said. */
export async function readRecipeNames(
  db: Queryable,
  kitchenId: string,
  { archived = false, atMost = null as number | null } = {},
): Promise<readonly NamedRecipe[]> {
  const { rows } = await db.query<
    Omit<NamedRecipe, 'madeAt' | 'archived' | 'cookedAt'> & Row & { cooked_at: Date | null }
  >({
    name: 'recipe-names',
    text: `${latest(`v.version, v.made_at, v.name, v.school, v.band, ${LAST_COOKED} AS cooked_at`)} ${IN_ORDER} LIMIT $3`,
    values: [kitchenId, archived, atMost],
  });
  return rows.map(({ made_at, archived_at, cooked_at, ...r }) => ({
    ...r,
    madeAt: made_at.toISOString(),
    archived: archived_at !== null,
    cookedAt: cooked_at?.toISOString() ?? null,
  }));
}

/** The latest version of one recipe, archived or not; null when there is none. */
export async function readRecipe(db: Queryable, kitchenId: string, id: string): Promise<StoredRecipe | null> {
  const { rows } = await db.query<Row>(`${latest(WHOLE)} AND r.id = $3`, [kitchenId, true, id]);
  return rows[0] ? read(rows[0]) : null;
}

/** Bodies of versions by recipe and number, in the order asked for; null where there is none. */
export async function readBodies(
  db: Queryable,
  kitchenId: string,
  versions: readonly { readonly id: string; readonly version: number }[],
): Promise<readonly (RecipeBody | null)[]> {
  const { rows } = await db.query<{ body: RecipeBody | null }>(
    `SELECT v.body FROM unnest($2::text[], $3::int[]) WITH ORDINALITY AS w(id, version, n)
     LEFT JOIN recipe_version v ON v.kitchen_id = $1 AND v.recipe_id = w.id AND v.version = w.version ORDER BY w.n`,
    [kitchenId, versions.map((v) => v.id), versions.map((v) => v.version)],
  );
  return rows.map((r) => r.body);
}

/** Every version of a recipe, newest first. */
export async function readVersions(
  db: Queryable,
  kitchenId: string,
  id: string,
): Promise<readonly Version[]> {
  const { rows } = await db.query<{
    version: number;
    made_at: Date;
    by: string;
    note: string;
    body: RecipeBody;
  }>(
    `SELECT version, made_at, made_by AS by, note, body FROM kept_version
     WHERE kitchen_id = $1 AND recipe_id = $2 ORDER BY version DESC`,
    [kitchenId, id],
  );
  return rows.map(({ made_at, ...v }) => ({ ...v, madeAt: made_at.toISOString() }));
}

/** Every recipe's id and whether it is put away, in the house's order. */
export async function readRecipeList(
  db: Queryable,
  kitchenId: string,
): Promise<readonly { readonly id: string; readonly archived: boolean }[]> {
  const { rows } = await db.query<{ id: string; archived: boolean }>(
    'SELECT id, archived_at IS NOT NULL AS archived FROM recipe WHERE kitchen_id = $1 ORDER BY place, id',
    [kitchenId],
  );
  return rows;
}

/** Makes room for a recipe; false when its id is taken. One whose every version was gone back on leaves its id free. */
export async function claimRecipe(
  db: Queryable,
  kitchenId: string,
  id: string,
  place?: number,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `INSERT INTO recipe (kitchen_id, id, place)
     VALUES ($1, $2, coalesce($3, (SELECT coalesce(max(place), 0) + 1 FROM recipe WHERE kitchen_id = $1)))
     ON CONFLICT (kitchen_id, id) DO NOTHING`,
    [kitchenId, id, place ?? null],
  );
  if (rowCount === 1) return true;
  const { rows } = await db.query(
    'SELECT 1 FROM kept_version WHERE kitchen_id = $1 AND recipe_id = $2 LIMIT 1',
    [kitchenId, id],
  );
  return rows.length === 0;
}

/** Holds a recipe until the transaction ends, so that two saves follow each other. */
export const holdRecipe = (db: Queryable, kitchenId: string, id: string) =>
  db.query('SELECT 1 FROM recipe WHERE kitchen_id = $1 AND id = $2 FOR UPDATE', [kitchenId, id]);

/** Writes a new version of a recipe that has its place, and returns the version's number. */
export async function writeVersion(
  db: Queryable,
  kitchenId: string,
  body: RecipeBody,
  { note = '', by = '', madeAt = null as string | null } = {},
): Promise<number> {
  const { rows } = await db.query<{ version: number }>(
    `INSERT INTO recipe_version (kitchen_id, recipe_id, version, body, note, made_at, made_by)
     SELECT $1, $2, coalesce(max(version), 0) + 1, $3::jsonb, $4, coalesce($5::timestamptz, now()), $6
     FROM recipe_version WHERE kitchen_id = $1 AND recipe_id = $2
     RETURNING version`,
    [kitchenId, body.id, JSON.stringify(body), note, madeAt, by],
  );
  return rows[0]?.version ?? 1;
}

/**
 * Takes a recipe that nothing keeps out for good; says what keeps it where something does: it was cooked, came with
 * an archive, or stands in a service.
 */
export async function removeRecipe(
  db: Queryable,
  kitchenId: string,
  id: string,
): Promise<'cooked' | 'archive' | 'service' | null> {
  const { rows } = await db.query<{ kept: 'cooked' | 'archive' | 'service' | null }>(
    'SELECT remove_recipe($1, $2) AS kept',
    [kitchenId, id],
  );
  return rows[0]?.kept ?? null;
}

/** Puts a recipe out of the lists, or back. Its versions and batches stay. False when there is none. */
export async function setArchived(
  db: Queryable,
  kitchenId: string,
  id: string,
  archived: boolean,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `UPDATE recipe SET archived_at = CASE WHEN $3 THEN coalesce(archived_at, now()) END
     WHERE kitchen_id = $1 AND id = $2`,
    [kitchenId, id, archived],
  );
  return rowCount === 1;
}
