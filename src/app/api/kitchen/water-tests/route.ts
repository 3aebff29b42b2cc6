import { pool } from '../../../../server/database';
import { recordWaterTest } from '../../../../server/kitchen';
import { readJson, respond } from '../../../../server/refusal';

export function POST(request: Request): Promise<Response> {
  return respond(async () => ({ body: await recordWaterTest(pool('saves'), await readJson(request)) }));
}
