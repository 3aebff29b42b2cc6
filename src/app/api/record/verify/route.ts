import * as z from 'zod';
import { issue } from '../../../../core/message/told';
import { NO_LINK } from '../../../../core/record/chain';
import { accept, cannot, readJson } from '../../../../server/refusal';
import { work } from '../../../../server/work/work';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

const Head = z.object({
  n: z.int().min(1),
  hash: z.string().regex(/^[0-9a-f]{64}$/, issue('a hash is 64 hexadecimal digits')),
});
const Asked = z.object({
  heads: z.array(Head).max(100),
  after: Head.optional(),
  atMost: z.int().min(1).max(1_000_000).optional(),
});

/**
 * Follows the whole record: what was changed, removed or slipped in, against the `heads` a station kept. With `atMost` so many lines
 * after the head `after` that the answer before came to: whoever asks sees how far it is, and may stop.
 */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { heads, after, atMost } = accept(Asked, await readJson(request));
    if (after && !atMost) throw cannot('after', `${after.n}`, 'with atMost');
    return {
      body: await work(
        'verify',
        atMost ? { heads, stretch: { after: after ?? NO_LINK, atMost } } : { heads },
      ),
    };
  });
}
