import { theHouse } from '../../../server/actions/kitchen';
import { received } from '../../../server/archive/receive';
import { archiveStream } from '../../../server/archive/write';
import { pool } from '../../../server/data/database';
import { fileNamed } from '../../../server/refusal';
import { work } from '../../../server/work/work';
import { respond } from '../respond';

export const dynamic = 'force-dynamic';

/** The whole kitchen as one file, sent as it is read. */
export function GET(): Promise<Response> {
  return respond(async () => {
    const { id } = await theHouse(pool());
    const now = new Date();
    return {
      body: archiveStream(pool('archive'), now),
      headers: {
        'content-type': 'application/json',
        ...fileNamed(`${id}-${now.toISOString().slice(0, 10)}.json`),
      },
    };
  });
}

/** Takes an archive in; with `?rehearse=1` says what that would do and writes nothing. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const rehearse = new URL(request.url).searchParams.get('rehearse') === '1';
    const { file, done } = await received(request);
    try {
      return { body: await work('take', { file, rehearse }) };
    } finally {
      await done();
    }
  });
}
