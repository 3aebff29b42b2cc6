import { theRail } from '../../../server/live/theRail';
import { respond } from '../respond';

export const dynamic = 'force-dynamic';

export function GET(): Promise<Response> {
  return respond(async () => ({ body: await theRail() }));
}
