import { restoreKitchen } from '../../../../server/actions/kitchen';
import { pool } from '../../../../server/data/database';
import { readJson, respond } from '../../../../server/refusal';

export function POST(request: Request): Promise<Response> {
  return respond(async () => ({ body: await restoreKitchen(pool('saves'), await readJson(request)) }));
}
