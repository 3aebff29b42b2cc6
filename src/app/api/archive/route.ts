import { MOST_IN_ARCHIVE } from '../../../core/formats/openFile';
import { makeArchive, takeArchive } from '../../../server/archive';
import { pool } from '../../../server/database';
import { fileNamed, readText, respond } from '../../../server/refusal';

export const dynamic = 'force-dynamic';

/** The whole kitchen as one file. */
export function GET(): Promise<Response> {
  return respond(async () => {
    const now = new Date();
    const body = await makeArchive(pool(), now);
    return { body, headers: fileNamed(`${body.kitchen.id}-${now.toISOString().slice(0, 10)}.json`) };
  });
}

/** Takes an archive in; with `?rehearse=1` says what that would do and writes nothing. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const rehearse = new URL(request.url).searchParams.get('rehearse') === '1';
    return { body: await takeArchive(pool(), await readText(request, MOST_IN_ARCHIVE), { rehearse }) };
  });
}
