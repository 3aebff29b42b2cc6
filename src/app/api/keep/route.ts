import { keepOpened } from '../../../server/actions/reading';
import { respond } from '../respond';

export const dynamic = 'force-dynamic';

/** All that is kept and not over, with the lines of the kitchen and of its rooms. */
export function GET(): Promise<Response> {
  return respond('GET /api/keep', async () => ({
    body: await keepOpened(false),
    headers: { 'content-type': 'application/json' },
  }));
}
