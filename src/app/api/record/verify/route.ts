import * as z from 'zod';
import { issue } from '../../../../core/message/told';
import { accept, readJson } from '../../../../server/refusal';
import { work } from '../../../../server/work/work';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

const Asked = z.object({
  heads: z
    .array(
      z.object({
        n: z.int().min(1),
        hash: z.string().regex(/^[0-9a-f]{64}$/, issue('a hash is 64 hexadecimal digits')),
      }),
    )
    .max(100),
});

/** Follows the whole record: what was changed, removed or slipped in, against the `heads` a station kept. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { heads } = accept(Asked, await readJson(request));
    return { body: await work('verify', heads) };
  });
}
