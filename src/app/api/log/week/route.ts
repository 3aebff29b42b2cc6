import { openWeek } from '../../../../server/actions/log/days';
import { pool } from '../../../../server/data/database';
import { cannot, fileNamed } from '../../../../server/refusal';
import { work } from '../../../../server/work/work';
import { languageHere } from '../../../reader';
import { respondFile } from '../../respond';

export const dynamic = 'force-dynamic';

/** The week a `day` is in, `as` json or pdf. */
export function GET(request: Request): Promise<Response> {
  return respondFile(async () => {
    const { searchParams: q } = new URL(request.url);
    const day = q.get('day');
    const as = q.get('as') ?? 'json';
    if (as === 'json') return { body: await openWeek(pool(), day) };
    if (as !== 'pdf') throw cannot('as', as, 'json or pdf');
    return {
      body: await work('weekPdf', {
        day,
        paper: q.get('paper') === 'LETTER' ? 'LETTER' : 'A4',
        language: await languageHere(),
      }),
      headers: { 'content-type': 'application/pdf', ...fileNamed(`week-${day ?? 'now'}.pdf`) },
    };
  });
}
