import { theHouse } from '../../../server/actions/kitchen';
import { received } from '../../../server/archive/receive';
import { sentOnce } from '../../../server/archive/write';
import { pool } from '../../../server/data/database';
import { answered, fileNamed } from '../../../server/refusal';
import { toldAsItGoes, Watch } from '../../../server/work/watch';
import { work } from '../../../server/work/work';
import { languageHere } from '../../reader';
import { respondFile } from '../respond';

export const dynamic = 'force-dynamic';

const LINES = 'application/x-ndjson';

/** The whole kitchen as one file, put together away from the taps and sent as it is read. */
export function GET(): Promise<Response> {
  return respondFile(async () => {
    const { id } = await theHouse(pool());
    const now = new Date();
    return {
      body: sentOnce(await work('archiveFile', now.toISOString())),
      headers: {
        'content-type': 'application/json',
        ...fileNamed(`${id}-${now.toISOString().slice(0, 10)}.json`),
      },
    };
  });
}

/** What it would be sent as; nothing is put together for it. */
export const HEAD = (): Response => new Response(null, { headers: { 'content-type': 'application/json' } });

/**
 * Takes an archive in; with `?rehearse=1` says what that would do and writes nothing. Whoever accepts `application/x-ndjson` is told how
 * far it is, and stops it by hanging up.
 */
export function POST(request: Request): Promise<Response> {
  return respondFile(async () => {
    const rehearse = new URL(request.url).searchParams.get('rehearse') === '1';
    const { file, done } = await received(request);
    const watch = new Watch();
    const job = work('take', { file, rehearse, shared: watch.shared }).finally(done);
    if (!request.headers.get('accept')?.includes(LINES)) return { body: await job };
    const answer = answered(async () => ({ body: await job }), await languageHere());
    return { body: toldAsItGoes(answer, watch), headers: { 'content-type': LINES } };
  });
}
