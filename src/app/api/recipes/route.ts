import { theHouse } from '../../../server/actions/kitchen';
import { createRecipe } from '../../../server/actions/recipes';
import { pool } from '../../../server/data/database';
import { readRecipes } from '../../../server/queries/recipes';
import { readJson } from '../../../server/refusal';
import { respond, respondFile } from '../respond';

export const dynamic = 'force-dynamic';

/** Every recipe as its file says it, archived ones too. */
export function GET(): Promise<Response> {
  return respondFile(async () => {
    const db = pool();
    const house = await theHouse(db);
    const recipes = await readRecipes(db, house.id, { archived: true });
    return { body: recipes.map(({ recipe: _parsed, ...r }) => r) };
  });
}

export function POST(request: Request): Promise<Response> {
  return respond('POST /api/recipes', async () => {
    const db = pool();
    const house = await theHouse(db);
    return {
      status: 201,
      body: await createRecipe(pool('saves'), house.id, await readJson(request, 200_000)),
    };
  });
}
