import type { WaterTest } from '../../core/learn/waterTest';
import type { Queryable } from '../data/database';
import { goneWithImports } from './imports';

type WaterTestRecord = {
  readonly id: string;
  readonly vesselId: string;
  readonly burnerId: string;
  readonly madeAt: string;
  readonly readings: WaterTest;
  readonly lossFactor: number;
  readonly intoPotW: number;
};

/** Writes a water test once: the same id again changes nothing. True when it was new. */
export async function writeWaterTest(
  db: Queryable,
  kitchenId: string,
  t: Omit<WaterTestRecord, 'madeAt'>,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `INSERT INTO water_test (id, kitchen_id, pot_id, burner_id, readings, loss_factor, into_pot_w)
     VALUES ($1, $2, $3, $4, $5::jsonb, $6, $7) ON CONFLICT (id) DO NOTHING`,
    [t.id, kitchenId, t.vesselId, t.burnerId, JSON.stringify(t.readings), t.lossFactor, t.intoPotW],
  );
  return rowCount === 1;
}

/** Writes one of an archive, with its own day. True when it was new. */
export async function bringWaterTest(db: Queryable, kitchenId: string, t: WaterTestRecord): Promise<boolean> {
  const { rows } = await db.query<{ is_new: boolean }>(
    'SELECT bring_water_test($1, $2, $3, $4, $5, $6::jsonb, $7, $8) AS is_new',
    [t.id, kitchenId, t.vesselId, t.burnerId, t.madeAt, JSON.stringify(t.readings), t.lossFactor, t.intoPotW],
  );
  return rows[0]?.is_new ?? false;
}

/** The newest hundred of the kitchen’s water tests, newest first. */
export const readWaterTests = (db: Queryable, kitchenId: string): Promise<readonly WaterTestRecord[]> =>
  read(db, kitchenId, 'DESC', 100);

/** All of them, the first first. */
export const readAllWaterTests = (db: Queryable, kitchenId: string): Promise<readonly WaterTestRecord[]> =>
  read(db, kitchenId, 'ASC', null);

async function read(
  db: Queryable,
  kitchenId: string,
  order: 'ASC' | 'DESC',
  most: number | null,
): Promise<readonly WaterTestRecord[]> {
  const { rows } = await db.query(
    `SELECT * FROM water_test t WHERE kitchen_id = $1 AND NOT ${goneWithImports('newTests', 't.id')} ORDER BY made_at ${order}, id LIMIT $2`,
    [kitchenId, most],
  );
  return rows.map((r) => ({
    id: r.id,
    vesselId: r.pot_id,
    burnerId: r.burner_id,
    madeAt: r.made_at.toISOString(),
    readings: r.readings,
    lossFactor: r.loss_factor,
    intoPotW: r.into_pot_w,
  }));
}
