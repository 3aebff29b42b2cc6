import { houseKnows } from '../../../../server/actions/log/log';
import { pool } from '../../../../server/data/database';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

/** What the house has learned of itself. */
export function GET(): Promise<Response> {
  return respond('GET /api/log/knows', async () => ({ body: await houseKnows(pool()) }));
}
