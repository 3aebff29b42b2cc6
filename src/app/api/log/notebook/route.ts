import { learnSoon } from '../../../../server/live/learning';
import { cannot, readText } from '../../../../server/refusal';
import { Watch } from '../../../../server/work/watch';
import { work } from '../../../../server/work/work';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

/** Largest notebook read, bytes. */
const MOST_FILE = 24_000_000;

const TAKES = ['no', 'all', 'right'] as const;

/** A notebook as CSV: read to be looked at, or taken in, whole or what is right of it (`take`). */
export function POST(request: Request): Promise<Response> {
  const asked = new URL(request.url).searchParams.get('take') ?? 'no';
  return respond('POST /api/log/notebook', async () => {
    const take = TAKES.find((t) => t === asked);
    if (!take) throw cannot('take', asked, TAKES.join(', '));
    const text = await readText(request, MOST_FILE);
    const body = await work('notebook', { text, take, shared: new Watch().shared });
    if (body.taken > 0) learnSoon(0);
    return { body };
  });
}
