import { recordPage } from '../../../server/actions/reading';
import { cannot, fileNamed } from '../../../server/refusal';
import { work } from '../../../server/work/work';
import { languageHere } from '../../reader';
import { respondFile } from '../respond';

export const dynamic = 'force-dynamic';

const FILES = {
  json: 'application/json',
  csv: 'text/csv; charset=utf-8',
  pdf: 'application/pdf',
} as const;

/**
 * The record `from` one day `to` another, or of one `lot`; `as` view (for a screen, a `page` of it at a time),
 * json, csv or pdf (whole).
 */
export function GET(request: Request): Promise<Response> {
  return respondFile(async () => {
    const { searchParams: q } = new URL(request.url);
    const asked = { from: q.get('from'), to: q.get('to'), lot: q.get('lot'), page: q.get('page') ?? '0' };
    const as = q.get('as') ?? 'view';
    if (as === 'view')
      return { body: await recordPage(asked), headers: { 'content-type': 'application/json' } };
    if (as !== 'json' && as !== 'csv' && as !== 'pdf') throw cannot('as', as, 'view, json, csv or pdf');
    return {
      body: await work('recordFile', {
        asked,
        as,
        paper: q.get('paper') === 'LETTER' ? 'LETTER' : 'A4',
        language: await languageHere(),
      }),
      headers: {
        'content-type': FILES[as],
        ...fileNamed(
          `record-${asked.lot ?? `${asked.from ?? 'today'}-${asked.to ?? asked.from ?? 'today'}`}.${as}`,
        ),
      },
    };
  });
}
