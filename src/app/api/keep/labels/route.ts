import { LabelsAsked } from '../../../../contract/keep';
import { accept, fileNamed } from '../../../../server/refusal';
import { work } from '../../../../server/work/work';
import { languageHere } from '../../../reader';
import { respondFile } from '../../respond';

export const dynamic = 'force-dynamic';

/** Labels of one thing kept as a PDF at true scale; its code opens its record on the server that was asked. */
export function GET(request: Request): Promise<Response> {
  return respondFile(async () => {
    const url = new URL(request.url);
    const asked = accept(LabelsAsked, Object.fromEntries(url.searchParams));
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
