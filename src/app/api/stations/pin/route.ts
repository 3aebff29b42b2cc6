import { lower, raise, setPin } from '../../../../server/actions/stations';
import { pool } from '../../../../server/data/database';
import { asking } from '../../../../server/guard/asking';
import { LEAD_COOKIE, leadCookie, noCookie } from '../../../../server/guard/keys';
import { readJson } from '../../../../server/refusal';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

/** Makes the station that asks a lead’s for a while, by the PIN. */
export function POST(request: Request): Promise<Response> {
  return respond('POST /api/stations/pin', async () => {
    const token = await raise(pool('saves'), await readJson(request));
    return { body: { raised: true }, headers: { 'set-cookie': leadCookie(token, asking().secure) } };
  });
}

/** Sets the PIN, or another. */
export function PUT(request: Request): Promise<Response> {
  return respond('PUT /api/stations/pin', async () => ({
    body: await setPin(pool('saves'), await readJson(request)),
  }));
}

/** The station that asks is no lead’s any more. */
export function DELETE(): Promise<Response> {
  return respond('DELETE /api/stations/pin', async () => {
    await lower(pool('saves'));
    return { body: { raised: false }, headers: { 'set-cookie': noCookie(LEAD_COOKIE, asking().secure) } };
  });
}
