import type { TakenIn } from '../../contract/kitchen';
import type { KitchenFile } from '../../core/kitchen/kitchenFile';
import type { Queryable } from '../data/database';

/** An archive taken in: what it brought, and what stood before. */
export type ImportRecord = {
  readonly id: string;
  readonly madeAt: string;
  readonly taken: TakenIn;
  readonly kitchenBefore: KitchenFile;
  readonly revisionAfter: number;
  readonly undoneAt: string | null;
};

/** What an import brought that is told by its ids alone. */
type BroughtById = 'newTests' | 'newActs';

/** That `id` came by imports of the kitchen `$1`, and each of them was gone back on. */
export const goneWithImports = (brought: BroughtById, id: string): string =>
  `(EXISTS (SELECT 1 FROM import i WHERE i.kitchen_id = $1 AND i.taken -> '${brought}' ? ${id}::text)
    AND NOT EXISTS (SELECT 1 FROM import i WHERE i.kitchen_id = $1 AND i.taken -> '${brought}' ? ${id}::text
      AND NOT EXISTS (SELECT 1 FROM import_undone u WHERE u.import_id = i.id)))`;

/** Whether something an import brought is out of sight since that was gone back on. */
export async function isGoneWithImports(
  db: Queryable,
  kitchenId: string,
  brought: BroughtById,
  id: string,
): Promise<boolean> {
  const { rows } = await db.query<{ gone: boolean }>(`SELECT ${goneWithImports(brought, '$2')} AS gone`, [
    kitchenId,
    id,
  ]);
  return rows[0]?.gone ?? false;
}

/** Writes down an import with all that came by it. Run it in the transaction that took it in. */
export async function writeImport(
  db: Queryable,
  i: Pick<ImportRecord, 'id' | 'taken' | 'kitchenBefore' | 'revisionAfter'> & {
    readonly kitchenId: string;
    readonly batches: readonly string[];
    readonly versions: readonly { readonly recipeId: string; readonly version: number }[];
  },
): Promise<void> {
  await db.query(
    `INSERT INTO import (id, kitchen_id, taken, kitchen_before, revision_after)
     VALUES ($1, $2, $3::jsonb, $4::jsonb, $5)`,
    [i.id, i.kitchenId, JSON.stringify(i.taken), JSON.stringify(i.kitchenBefore), i.revisionAfter],
  );
  await db.query('INSERT INTO imported_batch (import_id, batch_id) SELECT $1, unnest($2::uuid[])', [
    i.id,
    i.batches,
  ]);
  await db.query(
    `INSERT INTO imported_version (import_id, kitchen_id, recipe_id, version)
     SELECT $1, $2, v.recipe_id, v.version FROM unnest($3::text[], $4::int[]) AS v(recipe_id, version)`,
    [i.id, i.kitchenId, i.versions.map((v) => v.recipeId), i.versions.map((v) => v.version)],
  );
}

/** Batches an import brought, by their ids. */
export async function readImportedBatches(db: Queryable, id: string): Promise<readonly string[]> {
  const { rows } = await db.query<{ id: string }>(
    'SELECT batch_id AS id FROM imported_batch WHERE import_id = $1',
    [id],
  );
  return rows.map((r) => r.id);
}

/** The kitchen's last imports, newest first. */
export async function readImports(db: Queryable, kitchenId: string): Promise<readonly ImportRecord[]> {
  const { rows } = await db.query(
    `SELECT i.*, u.at AS undone_at FROM import i LEFT JOIN import_undone u ON u.import_id = i.id
     WHERE i.kitchen_id = $1 ORDER BY i.made_at DESC, i.id LIMIT 50`,
    [kitchenId],
  );
  return rows.map((r) => ({
    id: r.id,
    madeAt: r.made_at.toISOString(),
    taken: r.taken,
    kitchenBefore: r.kitchen_before,
    revisionAfter: r.revision_after,
    undoneAt: r.undone_at?.toISOString() ?? null,
  }));
}

/** Writes down that an import was gone back on. */
export const undone = (db: Queryable, id: string) =>
  db.query('INSERT INTO import_undone (import_id) VALUES ($1)', [id]);
