import { answer } from '../../../../../server/actions/groups';
import { pool } from '../../../../../server/data/database';
import { readJson } from '../../../../../server/refusal';
import { respond } from '../../../respond';

export const dynamic = 'force-dynamic';

/** Takes or declines what the group published. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return respond('POST /api/group/published/[id]', async () => ({
    body: await answer(pool('saves'), (await params).id, await readJson(request)),
  }));
}
