import { undoImport } from '../../../../server/archive/undo';
import { pool } from '../../../../server/data/database';
import { readJson } from '../../../../server/refusal';
import { respond } from '../../respond';

/** Goes back to before an import. */
export function POST(request: Request): Promise<Response> {
  return respond('POST /api/archive/undo', async () => {
    const { id, madeAt, taken } = await undoImport(pool('saves'), await readJson(request));
    return { body: { id, madeAt, taken } };
  });
}
