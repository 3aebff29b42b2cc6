import { actOnLearning } from '../../../../server/actions/log/log';
import { pool } from '../../../../server/data/database';
import { learnSoon } from '../../../../server/live/learning';
import { readJson } from '../../../../server/refusal';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

/** A number set, freed or forgotten; a batch left out of what is learned, or counted again. */
export function POST(request: Request): Promise<Response> {
  return respond('POST /api/log/acts', async () => {
    const body = await actOnLearning(pool('saves'), await readJson(request));
    if (body.anew) learnSoon(0);
    return { body };
  });
}
