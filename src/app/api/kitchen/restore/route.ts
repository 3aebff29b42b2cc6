import { restoreKitchen } from '../../../../server/actions/kitchen';
import { pool } from '../../../../server/data/database';
import { readJson } from '../../../../server/refusal';
import { respond } from '../../respond';

export function POST(request: Request): Promise<Response> {
  return respond('POST /api/kitchen/restore', async () => ({
    body: await restoreKitchen(pool('saves'), await readJson(request)),
  }));
}
