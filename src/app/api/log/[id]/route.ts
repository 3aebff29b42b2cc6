import { loggedBatch } from '../../../../server/actions/log/log';
import { pool } from '../../../../server/data/database';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

/** A batch as it is logged, with its record. */
export function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return respond('GET /api/log/[id]', async () => ({ body: await loggedBatch(pool(), (await params).id) }));
}
