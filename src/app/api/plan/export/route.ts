import { PAPERS } from '../../../../server/exports/paper';
import { cannot, fileNamed, Refusal, unknown } from '../../../../server/refusal';
import { work } from '../../../../server/work/work';
import { orderedIn } from '../../../plan/ordered';
import { languageHere } from '../../../reader';
import { respondFile } from '../../respond';

export const dynamic = 'force-dynamic';

/** The plan an address asks for, as a file: `as` json, csv or pdf (`paper` A4 or LETTER). */
export function GET(request: Request): Promise<Response> {
  return respondFile(async () => {
    const query = Object.fromEntries(new URL(request.url).searchParams);
    const found = await orderedIn(query);
    if (!found) throw unknown('kitchen', 'none', []);
    const { order } = found;
    // Another plan under the name of this one is none: what cannot be taken is said.
    if (found.misread.length > 0)
      throw new Refusal(
        422,
        found.misread.map(({ field, given, allowed }) => ({ field, given, allowed })),
      );
    const name = `${order.recipeId}-${order.litres}L`;
    const as = query.as ?? 'json';
    if (as === 'json') {
      const body = await work('asJson', order);
      return { body: { format: 'panache.plan/1', ...body }, headers: fileNamed(`${name}.json`) };
    }
    if (as === 'csv') {
      return {
        body: await work('asCsv', order),
        headers: { ...fileNamed(`${name}.csv`), 'content-type': 'text/csv; charset=utf-8' },
      };
    }
    if (as === 'pdf') {
      const paper = PAPERS.find((p) => p === (query.paper ?? 'A4'));
      if (!paper) throw cannot('paper', query.paper ?? '', PAPERS.join(' or '));
      return {
        body: await work('asPdf', { order, paper, language: await languageHere() }),
        headers: { ...fileNamed(`${name}.pdf`), 'content-type': 'application/pdf' },
      };
    }
    throw cannot('as', as, 'json, csv or pdf');
  });
}
