import { theStations } from '../../../server/actions/stations';
import { pool } from '../../../server/data/database';
import { isServed } from '../../../server/guard/network/served';
import { respond } from '../respond';

export const dynamic = 'force-dynamic';

/** Stations of the kitchen, for a lead. */
export function GET(): Promise<Response> {
  return respond('GET /api/stations', async () => ({ body: await theStations(pool(), isServed()) }));
}
