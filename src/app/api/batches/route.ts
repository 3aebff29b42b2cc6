import { startBatch } from '../../../server/batches';
import { pool } from '../../../server/database';
import { StartRequest } from '../../../server/planning';
import { accept, readJson, respond } from '../../../server/refusal';

export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const started = await startBatch(pool(), accept(StartRequest, await readJson(request)));
    return { status: started.isNew ? 201 : 200, body: started };
  });
}
