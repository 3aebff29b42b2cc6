import { rename, revoke } from '../../../../server/actions/stations';
import { pool } from '../../../../server/data/database';
import { forgetKeys } from '../../../../server/guard/who';
import { readJson } from '../../../../server/refusal';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

type Params = { params: Promise<{ id: string }> };

/** Gives a station another name. */
export function PUT(request: Request, { params }: Params): Promise<Response> {
  return respond('PUT /api/stations/[id]', async () => {
    const { id } = await params;
    const body = await rename(pool('saves'), id, await readJson(request));
    forgetKeys();
    return { body };
  });
}

/** Takes a station’s key away. */
export function DELETE(_request: Request, { params }: Params): Promise<Response> {
  return respond('DELETE /api/stations/[id]', async () => {
    const { id } = await params;
    const body = await revoke(pool('saves'), id);
    forgetKeys();
    return { body };
  });
}
