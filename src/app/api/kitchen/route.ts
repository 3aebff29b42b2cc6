import { kitchenFileOf } from '../../../core/kitchen/kitchenFile';
import { saveKitchen, theHouse } from '../../../server/actions/kitchen';
import { pool } from '../../../server/data/database';
import { readJson } from '../../../server/refusal';
import { respond } from '../respond';

export const dynamic = 'force-dynamic';

/** The kitchen as a file, and the revision it has. */
export function GET(): Promise<Response> {
  return respond('GET /api/kitchen', async () => {
    const house = await theHouse(pool());
    return { body: { kitchen: kitchenFileOf(house), revision: house.revision } };
  });
}

export function PUT(request: Request): Promise<Response> {
  return respond('PUT /api/kitchen', async () => ({
    body: await saveKitchen(pool('saves'), await readJson(request, 400_000)),
  }));
}
