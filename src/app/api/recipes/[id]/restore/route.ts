import { theHouse } from '../../../../../server/actions/kitchen';
import { restoreVersion } from '../../../../../server/actions/recipes';
import { pool } from '../../../../../server/data/database';
import { readJson } from '../../../../../server/refusal';
import { respond } from '../../../respond';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return respond('POST /api/recipes/[id]/restore', async () => {
    const { id } = await params;
    const db = pool();
    const house = await theHouse(db);
    return { body: await restoreVersion(pool('saves'), house.id, id, await readJson(request)) };
  });
}
