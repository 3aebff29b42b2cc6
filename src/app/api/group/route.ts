import { theGroup } from '../../../server/actions/groups';
import { theHouse } from '../../../server/actions/kitchen';
import { pool } from '../../../server/data/database';
import { wordsHere } from '../../reader';
import { respond } from '../respond';

export const dynamic = 'force-dynamic';

/** The kitchen’s group: what was published to it, and to the kitchen that leads it its figures. */
export function GET(): Promise<Response> {
  return respond('GET /api/group', async () => {
    const { show } = await theHouse(pool());
    return { body: { group: await theGroup(pool(), await wordsHere(show)) } };
  });
}
