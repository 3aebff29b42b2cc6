import { wordsFor } from '../../../../../core/text/inWords';
import { theService } from '../../../../../server/actions/services';
import { pool } from '../../../../../server/data/database';
import { serviceCsv, serviceIcs } from '../../../../../server/exports/serviceFiles';
import { cannot, fileNamed } from '../../../../../server/refusal';
import { work } from '../../../../../server/work/work';
import { readerHere } from '../../../../reader';
import { respondFile } from '../../../respond';

export const dynamic = 'force-dynamic';

/** A service as a file: `as` json, csv (the day’s list) or ics (RFC 5545). */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return respondFile(async () => {
    const { service } = await theService(pool(), (await params).id);
    const as = new URL(request.url).searchParams.get('as') ?? 'json';
    const name = `${service.day}-${service.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}`;
    if (as === 'json') return { body: service, headers: fileNamed(`${name}.json`) };
    if (as !== 'csv' && as !== 'ics') throw cannot('as', as, 'json, csv or ics');
    const drawn = await work('drawn', service);
    const say = wordsFor(await readerHere());
    return as === 'csv'
      ? {
          body: serviceCsv(drawn, say),
          headers: { ...fileNamed(`${name}.csv`), 'content-type': 'text/csv; charset=utf-8' },
        }
      : {
          body: serviceIcs([drawn], say),
          headers: { ...fileNamed(`${name}.ics`), 'content-type': 'text/calendar; charset=utf-8' },
        };
  });
}
