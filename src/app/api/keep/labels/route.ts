import * as z from 'zod';
import { LABEL_SIZES } from '../../../../core/keep/labels';
import { issue } from '../../../../core/message/told';
import { accept, fileNamed } from '../../../../server/refusal';
import { work } from '../../../../server/work/work';
import { languageHere } from '../../../reader';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

const ids = LABEL_SIZES.map((s) => s.id);
const Asked = z.object({
  lot: z.string().min(1, issue('something kept')),
  size: z.enum(ids),
  count: z.coerce.number().int().min(1, issue('at least one label')).max(200),
  from: z.coerce.number().int().min(0).max(40).default(0),
});

/** Labels of one thing kept as a PDF at true scale; its code opens its record on the server that was asked. */
export function GET(request: Request): Promise<Response> {
  return respond(async () => {
    const url = new URL(request.url);
    const asked = accept(Asked, Object.fromEntries(url.searchParams));
    const host = request.headers.get('host') ?? url.host;
    const claimed = request.headers.get('x-forwarded-proto') ?? '';
    const proto = claimed === 'http' || claimed === 'https' ? claimed : url.protocol.replace(':', '');
    const pdf = await work('labels', {
      ...asked,
      language: await languageHere(),
      address: `${proto}://${host}`,
    });
    return {
      body: pdf,
      headers: { 'content-type': 'application/pdf', ...fileNamed(`labels-${asked.size}.pdf`) },
    };
  });
}
