import { foresee } from '../../../core/plan/foresee';
import { pool } from '../../../server/database';
import { theHouse } from '../../../server/kitchen';
import { readJson, respond } from '../../../server/refusal';

/** What a recipe not yet saved would come to; what is wrong with it is an answer, not a refusal. Writes nothing. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const body = await readJson(request, 200_000);
    return { body: foresee(body, await theHouse(pool())) };
  });
}
