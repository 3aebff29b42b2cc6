import { startOf, startOnBoard } from '../../../../../server/actions/services';
import { pool } from '../../../../../server/data/database';
import { readJson } from '../../../../../server/refusal';
import { work } from '../../../../../server/work/work';
import { respond } from '../../../respond';

/** Starts a batch of a service: planned away from the taps, written here, and on the board. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return respond('POST /api/services/[id]/start', async () => {
    const { id } = await params;
    const asked = await readJson(request);
    const planned = await work('planned', await startOf(pool('saves'), id, asked));
    const started = await startOnBoard(pool('saves'), id, asked, planned);
    return { status: started.isNew ? 201 : 200, body: started };
  });
}
