import { keepAsCooked } from '../../../../../server/actions/log/asCooked';
import { pool } from '../../../../../server/data/database';
import { readJson } from '../../../../../server/refusal';
import { respond } from '../../../respond';

export const dynamic = 'force-dynamic';

/** Keeps a batch as it was cooked as the newest version of its recipe. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return respond('POST /api/log/[id]/recipe', async () => ({
    body: await keepAsCooked(pool('saves'), (await params).id, await readJson(request)),
  }));
}
