import { recipeList } from '../../../../server/actions/listed';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

/** Every recipe as the list shows it; where some land may still be worked out: they are null, and known when it is asked again. */
export function GET(): Promise<Response> {
  return respond('GET /api/recipes/list', async () => ({ body: await recipeList(Number.POSITIVE_INFINITY) }));
}
