import { redirect } from 'next/navigation';
import { dayOf } from '../core/units/clock';
import { pool } from '../server/data/database';
import { readInUse } from '../server/queries/batches';
import { readHouse } from '../server/queries/kitchen';
import { isPlanned } from '../server/queries/services';

export const dynamic = 'force-dynamic';

/** Service where something is planned or on the stove, else Plan. */
export default async function Home(): Promise<never> {
  const db = pool();
  const house = await readHouse(db);
  const busy =
    house !== null &&
    ((await isPlanned(db, house.id, dayOf(new Date(), house.keeping.dayEnds))) ||
      (await readInUse(db, house.id)).length > 0);
  redirect(busy ? '/service' : '/plan');
}
