import * as z from 'zod';
import type { Queryable } from '../data/database';

/** Lines beyond which what is read of them is put together on a thread of its own. Fewer are sooner read where they are asked for. */
const MANY = 1000;

const isMany = async (db: Queryable, lines: string, values: readonly unknown[]): Promise<boolean> => {
  const { rowCount } = await db.query(`${lines} OFFSET ${MANY} LIMIT 1`, [...values]);
  return rowCount === 1;
};

/** Whether a thing kept has very many lines. */
export const isLongLot = async (db: Queryable, lot: string): Promise<boolean> =>
  z.uuid().safeParse(lot).success && isMany(db, 'SELECT 1 FROM keep_event WHERE lot_id = $1', [lot]);

/** Whether all that is kept and not over has. */
export const isLongShelf = (db: Queryable): Promise<boolean> =>
  isMany(db, 'SELECT 1 FROM keep_event e JOIN lot l ON l.id = e.lot_id WHERE l.over_at IS NULL', []);

/** Whether a record of these days has; what is no day is for the record to refuse. */
export async function isLongSpan(db: Queryable, from: string | null, to: string | null): Promise<boolean> {
  const isDay = (text: string): boolean => z.iso.date().safeParse(text).success;
  if (from === null || !isDay(from) || (to !== null && !isDay(to))) return false;
  return isMany(
    db,
    `SELECT 1 FROM keep_event WHERE kitchen_id = asked_kitchen()
       AND at >= $1::date - interval '1 day' AND at < $2::date + interval '2 days'`,
    [from, to ?? from],
  );
}
