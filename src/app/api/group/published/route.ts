import { publish } from '../../../../server/actions/groups';
import { pool } from '../../../../server/data/database';
import { readJson } from '../../../../server/refusal';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

/** Publishes a recipe or the rules to the group this kitchen leads. */
export function POST(request: Request): Promise<Response> {
  return respond('POST /api/group/published', async () => {
    const body = await publish(pool('saves'), await readJson(request));
    return { status: body.isNew ? 201 : 200, body };
  });
}
