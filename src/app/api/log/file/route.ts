import { cannot, fileNamed } from '../../../../server/refusal';
import { work } from '../../../../server/work/work';
import { respondFile } from '../../respond';

export const dynamic = 'force-dynamic';

/** The whole log as a file, `as` csv or json. */
export function GET(request: Request): Promise<Response> {
  return respondFile(async () => {
    const as = new URL(request.url).searchParams.get('as') ?? 'csv';
    if (as !== 'csv' && as !== 'json') throw cannot('as', as, 'csv or json');
    return {
      body: await work('logFile', { as }),
      headers: {
        'content-type': as === 'csv' ? 'text/csv; charset=utf-8' : 'application/json',
        ...fileNamed(`log.${as}`),
      },
    };
  });
}
