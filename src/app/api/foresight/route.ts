import { readJson } from '../../../server/refusal';
import { work } from '../../../server/work/work';
import { respond } from '../respond';

/** What a recipe not yet saved would come to; what is wrong with it is an answer, not a refusal. Writes nothing. */
export function POST(request: Request): Promise<Response> {
  return respond('POST /api/foresight', async () => ({
    body: await work('foresee', await readJson(request, 200_000)),
  }));
}
