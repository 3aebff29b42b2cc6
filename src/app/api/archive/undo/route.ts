import { undoImport } from '../../../../server/archive/undo';
import { pool } from '../../../../server/data/database';
import { readJson, respond } from '../../../../server/refusal';

/** Goes back to before an import. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { id, madeAt, taken } = await undoImport(pool('saves'), await readJson(request));
    return { body: { id, madeAt, taken } };
  });
}
