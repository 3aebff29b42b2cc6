import { makeCode } from '../../../../server/actions/stations';
import { pool } from '../../../../server/data/database';
import { rootCertificate } from '../../../../server/guard/network/root';
import { linksTo } from '../../../../server/guard/network/served';
import { readJson } from '../../../../server/refusal';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

/** A code that lets a station in, and the addresses that open with it. */
export function POST(request: Request): Promise<Response> {
  return respond('POST /api/stations/codes', async () => {
    const made = await makeCode(pool('saves'), await readJson(request));
    const host = request.headers.get('host') ?? '';
    const [first] = linksTo('/trust', host);
    const trust = rootCertificate() && first ? first.replace(/^https/, 'http') : null;
    const of = made.kitchen === null ? '' : `&kitchen=${made.kitchen}`;
    return {
      status: 201,
      body: { ...made, links: linksTo(`/pair?code=${made.code}${of}`, host), trust },
      headers: { 'cache-control': 'no-store' },
    };
  });
}
