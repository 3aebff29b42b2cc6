import { logPage } from '../../../server/actions/log/log';
import { pool } from '../../../server/data/database';
import { respond } from '../respond';

export const dynamic = 'force-dynamic';

/** Batches of the log, newest first: those with the words `find` in them, of one `soup`, after `before`. */
export function GET(request: Request): Promise<Response> {
  const { searchParams: q } = new URL(request.url);
  return respond('GET /api/log', async () => ({
    body: await logPage(pool(), {
      find: q.get('find'),
      soup: q.get('soup'),
      landed: q.get('landed'),
      before: q.get('before'),
    }),
  }));
}
