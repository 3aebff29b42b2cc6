import { pair } from '../../../../server/actions/stations';
import { pool } from '../../../../server/data/database';
import { asking } from '../../../../server/guard/asking';
import { slowDown } from '../../../../server/guard/guesses';
import { keyCookie } from '../../../../server/guard/keys';
import { readJson } from '../../../../server/refusal';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

/** Lets a station in by its code. Its key goes into a cookie, and nowhere else. */
export function POST(request: Request): Promise<Response> {
  return respond('POST /api/stations/pair', async () => {
    const { address, secure } = asking();
    const { key, ...body } = await slowDown(address, async () =>
      pair(pool('saves'), await readJson(request)),
    );
    return { body, headers: { 'set-cookie': keyCookie(key, secure), 'cache-control': 'no-store' } };
  });
}
