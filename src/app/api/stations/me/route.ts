import { theMe } from '../../../../server/actions/stations';
import { pool } from '../../../../server/data/database';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

/** Who this page is to the kitchen. */
export function GET(): Promise<Response> {
  return respond('GET /api/stations/me', async () => ({
    body: await theMe(pool()),
    headers: { 'cache-control': 'no-store' },
  }));
}
