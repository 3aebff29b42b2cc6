import { pool } from '../../../../server/database';
import { saveFunnel } from '../../../../server/kitchen';
import { readJson, respond } from '../../../../server/refusal';

export function POST(request: Request): Promise<Response> {
  return respond(async () => ({ body: await saveFunnel(pool('saves'), await readJson(request)) }));
}
