import type { Queryable } from '../data/database';

/** Kitchens of which anything waits to be logged or learned. */
export async function readKitchensToLog(db: Queryable): Promise<readonly string[]> {
  const { rows } = await db.query<{ id: string }>('SELECT kitchens_to_log() AS id');
  return rows.map((r) => r.id);
}

/** All kitchens of this database, by their ids. */
export async function readKitchenIds(db: Queryable): Promise<readonly string[]> {
  const { rows } = await db.query<{ id: string }>('SELECT kitchen_ids() AS id');
  return rows.map((r) => r.id);
}
