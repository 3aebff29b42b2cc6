import { theBatch } from '../../../../server/actions/batches';
import { pool } from '../../../../server/data/database';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

export function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return respond('GET /api/batches/[id]', async () => ({ body: await theBatch(pool(), (await params).id) }));
}
