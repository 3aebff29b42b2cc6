import { VerifyAsked } from '../../../../contract/keep';
import { NO_LINK } from '../../../../core/record/chain';
import { accept, cannot, readJson } from '../../../../server/refusal';
import { work } from '../../../../server/work/work';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

/**
 * Follows the whole record: what was changed, removed or slipped in, against the `heads` a station kept. With `atMost` so many lines
 * after the head `after` that the answer before came to: whoever asks sees how far it is, and may stop.
 */
export function POST(request: Request): Promise<Response> {
  return respond('POST /api/record/verify', async () => {
    const { heads, after, atMost } = accept(VerifyAsked, await readJson(request));
    if (after && !atMost) throw cannot('after', `${after.n}`, 'with atMost');
    return {
      body: await work(
        'verify',
        atMost ? { heads, stretch: { after: after ?? NO_LINK, atMost } } : { heads },
      ),
    };
  });
}
