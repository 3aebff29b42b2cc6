import { openDay, saveService } from '../../../server/actions/services';
import { pool } from '../../../server/data/database';
import { readJson } from '../../../server/refusal';
import { respond } from '../respond';

export const dynamic = 'force-dynamic';

/** The services of `day`, the days near it that have any, and what the menu cycle would bring. */
export function GET(request: Request): Promise<Response> {
  return respond('GET /api/services', async () => ({
    body: await openDay(pool(), new URL(request.url).searchParams.get('day') ?? ''),
  }));
}

/** Keeps a service; what somebody else changed meanwhile is kept too, and told. */
export function PUT(request: Request): Promise<Response> {
  return respond('PUT /api/services', async () => ({
    body: await saveService(pool('saves'), await readJson(request, 200_000)),
  }));
}
