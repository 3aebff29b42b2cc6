import { respond } from '../../../server/refusal';
import { theRail } from '../../../server/theRail';

export const dynamic = 'force-dynamic';

export function GET(): Promise<Response> {
  return respond(async () => ({ body: await theRail() }));
}
