import type { WaterTest } from '../../core/learn/waterTest';
import type { Queryable } from '../data/database';

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

/** The kitchen's water tests, newest first. */
export async function readWaterTests(db: Queryable, kitchenId: string): Promise<readonly WaterTestRecord[]> {
  const { rows } = await db.query(
    'SELECT * FROM water_test WHERE kitchen_id = $1 ORDER BY made_at DESC, id LIMIT 100',
    [kitchenId],
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
