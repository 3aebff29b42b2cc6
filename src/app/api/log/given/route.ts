import { openGiven } from '../../../../server/actions/log/days';
import { pool } from '../../../../server/data/database';
import { givenCsv } from '../../../../server/exports/logFiles';
import { cannot, fileNamed } from '../../../../server/refusal';
import { respondFile } from '../../respond';

export const dynamic = 'force-dynamic';

/** What was given out in the week up to `until`, `as` json or csv. */
export function GET(request: Request): Promise<Response> {
  return respondFile(async () => {
    const { searchParams: q } = new URL(request.url);
    const opened = await openGiven(pool(), q.get('until'));
    const as = q.get('as') ?? 'json';
    if (as === 'json') return { body: opened };
    if (as !== 'csv') throw cannot('as', as, 'json or csv');
    return {
      body: givenCsv(opened),
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        ...fileNamed(`given-out-${opened.from}-${opened.to}.csv`),
      },
    };
  });
}
