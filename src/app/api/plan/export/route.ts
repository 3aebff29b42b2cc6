import { planSheet } from '../../../../core/plan/sheet';
import { PAPERS } from '../../../../server/exports/paper';
import { planPdf } from '../../../../server/exports/planPdf';
import { weighOutCsv } from '../../../../server/exports/weighOutCsv';
import { cannot, fileNamed, respond, unknown } from '../../../../server/refusal';
import { planWished, wishOf } from '../../../plan/wishOf';

export const dynamic = 'force-dynamic';

/** The plan an address asks for, as a file: `as` json, csv or pdf (`paper` A4 or LETTER). */
export function GET(request: Request): Promise<Response> {
  return respond(async () => {
    const query = Object.fromEntries(new URL(request.url).searchParams);
    const found = await wishOf(query);
    if (!found) throw unknown('kitchen', 'none', []);
    const { wish, stores } = found;
    if (query.recipe !== undefined && query.recipe !== wish.recipeId) {
      throw unknown(
        'recipe',
        query.recipe,
        stores.recipes.map((r) => r.id),
      );
    }
    const plan = planWished(found);
    if (!plan) throw unknown('kitchen', 'its pots or burners', []);
    const name = `${wish.recipeId}-${wish.litres}L`;
    const as = query.as ?? 'json';
    if (as === 'json') {
      const { solved: _kept, ...body } = plan;
      return { body: { format: 'panache.plan/1', ...body }, headers: fileNamed(`${name}.json`) };
    }
    if (as === 'csv') {
      return {
        body: weighOutCsv(plan),
        headers: { ...fileNamed(`${name}.csv`), 'content-type': 'text/csv; charset=utf-8' },
      };
    }
    if (as === 'pdf') {
      const paper = PAPERS.find((p) => p === (query.paper ?? 'A4'));
      if (!paper) throw cannot('paper', query.paper ?? '', PAPERS.join(' or '));
      const sheet = planSheet(plan, wish.serveAt, stores.house.show);
      return {
        body: await planPdf(sheet, paper),
        headers: { ...fileNamed(`${name}.pdf`), 'content-type': 'application/pdf' },
      };
    }
    throw cannot('as', as, 'json, csv or pdf');
  });
}
