import { wordsFor } from '../../../core/say/inWords';
import { theHouse } from '../../../server/actions/kitchen';
import { theRecord } from '../../../server/actions/record';
import { pool } from '../../../server/data/database';
import { recordCsv, recordJson } from '../../../server/exports/recordFiles';
import { cannot, fileNamed } from '../../../server/refusal';
import { work } from '../../../server/work/work';
import { languageHere, readerHere } from '../../reader';
import { respond } from '../respond';

export const dynamic = 'force-dynamic';

/** The record `from` one day `to` another, or of one `lot`; `as` view (for a page), json, csv or pdf. */
export function GET(request: Request): Promise<Response> {
  return respond(async () => {
    const { searchParams: q } = new URL(request.url);
    const asked = { from: q.get('from'), to: q.get('to'), lot: q.get('lot') };
    const as = q.get('as') ?? 'view';
    if (!['view', 'json', 'csv', 'pdf'].includes(as)) throw cannot('as', as, 'view, json, csv or pdf');
    const record = await theRecord(pool(), asked);
    if (as === 'view') return { body: record };
    const name = `record-${record.from}-${record.to}`;
    if (as === 'pdf')
      return {
        body: await work('recordPdf', {
          record,
          paper: q.get('paper') === 'LETTER' ? 'LETTER' : 'A4',
          language: await languageHere(),
        }),
        headers: { 'content-type': 'application/pdf', ...fileNamed(`${name}.pdf`) },
      };
    const say = wordsFor(await readerHere((await theHouse(pool())).show));
    return as === 'csv'
      ? {
          body: recordCsv(record, say),
          headers: { ...fileNamed(`${name}.csv`), 'content-type': 'text/csv; charset=utf-8' },
        }
      : { body: recordJson(record, say), headers: fileNamed(`${name}.json`) };
  });
}
