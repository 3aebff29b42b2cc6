import { theService } from '../../../../server/actions/services';
import { pool } from '../../../../server/data/database';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

/** A service and its revision. */
export function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return respond('GET /api/services/[id]', async () => ({
    body: await theService(pool(), (await params).id),
  }));
}
