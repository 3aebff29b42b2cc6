import { theHouse } from '../../../../../server/actions/kitchen';
import { archiveRecipe } from '../../../../../server/actions/recipes';
import { pool } from '../../../../../server/data/database';
import { readJson } from '../../../../../server/refusal';
import { respond } from '../../../respond';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return respond('POST /api/recipes/[id]/archive', async () => {
    const { id } = await params;
    const db = pool();
    const house = await theHouse(db);
    return { body: await archiveRecipe(db, house.id, id, await readJson(request)) };
  });
}
