import { StartRequest } from '../../../contract/batches';
import { begin } from '../../../server/actions/batches';
import { pool } from '../../../server/data/database';
import { accept, readJson } from '../../../server/refusal';
import { work } from '../../../server/work/work';
import { respond } from '../respond';

/** Starts a batch: planned away from the taps, written here. The same id twice starts it once. */
export function POST(request: Request): Promise<Response> {
  return respond('POST /api/batches', async () => {
    const asked = accept(StartRequest, await readJson(request));
    const planned = await work('planned', asked);
    const started = await begin(pool('saves'), planned, { anyway: asked.anyway ?? false });
    return { status: started.isNew ? 201 : 200, body: started };
  });
}
