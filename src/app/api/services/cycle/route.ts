import { saveCycle } from '../../../../server/actions/services';
import { pool } from '../../../../server/data/database';
import { fileNamed, readJson } from '../../../../server/refusal';
import { watchedBy } from '../../../../server/work/watch';
import { work } from '../../../../server/work/work';
import { languageHere } from '../../../reader';
import { respond, respondFile } from '../../respond';

export const dynamic = 'force-dynamic';

/**
 * Every day from `day` on for one round of the cycle, four weeks at most, as a calendar (RFC 5545): what is
 * planned, and what the cycle would bring where nothing is.
 */
export function GET(request: Request): Promise<Response> {
  return respondFile(async () => {
    const from = new URL(request.url).searchParams.get('day') ?? '';
    const watch = watchedBy(request);
    return {
      body: await work('cycleIcs', { from, language: await languageHere(), shared: watch.shared }),
      headers: { ...fileNamed(`menu-${from}.ics`), 'content-type': 'text/calendar; charset=utf-8' },
    };
  });
}

/** Keeps the kitchen’s menu cycle. */
export function PUT(request: Request): Promise<Response> {
  return respond('PUT /api/services/cycle', async () => ({
    body: await saveCycle(pool('saves'), await readJson(request, 200_000)),
  }));
}
