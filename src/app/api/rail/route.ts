import { pool } from '../../../server/database';
import { readRail } from '../../../server/rail';
import { respond } from '../../../server/refusal';

export const dynamic = 'force-dynamic';

export function GET(): Promise<Response> {
  return respond(async () => ({ body: await readRail(pool()) }));
}
