import { numberHistory } from '../../../../server/actions/log/log';
import { pool } from '../../../../server/data/database';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

/** One number of the house, `key`, with the batches that made it. */
export function GET(request: Request): Promise<Response> {
  const key = new URL(request.url).searchParams.get('key') ?? '';
  return respond('GET /api/log/numbers', async () => ({ body: await numberHistory(pool(), key) }));
}
