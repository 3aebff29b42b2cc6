import { headHere } from '../../../server/actions/record';
import { pool } from '../../../server/data/database';
import { theRail } from '../../../server/live/theRail';
import { respond } from '../respond';

export const dynamic = 'force-dynamic';

/** Tickets of the live pots; the head of the record comes with them, for every station to keep. */
export function GET(): Promise<Response> {
  return respond(async () => {
    const [body, head] = await Promise.all([theRail(), headHere(pool())]);
    return { body, ...(head && { headers: { 'x-panache-head': `${head.n}:${head.hash}` } }) };
  });
}
