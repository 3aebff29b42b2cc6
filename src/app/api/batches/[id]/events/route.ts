import { recordEvent } from '../../../../../server/batches';
import { pool } from '../../../../../server/database';
import { readJson, respond } from '../../../../../server/refusal';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return respond(async () => {
    const { id } = await params;
    const recorded = await recordEvent(pool(), id, await readJson(request));
    return { status: recorded.isNew ? 201 : 200, body: recorded };
  });
}
