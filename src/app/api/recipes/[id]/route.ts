import { toJsonLd } from '../../../../core/formats/jsonLd/toJsonLd';
import { theHouse } from '../../../../server/actions/kitchen';
import { deleteRecipe, saveRecipe } from '../../../../server/actions/recipes';
import { pool } from '../../../../server/data/database';
import { readRecipe } from '../../../../server/queries/recipes';
import { cannot, fileNamed, readJson, unknown } from '../../../../server/refusal';
import { respond, respondFile } from '../../respond';

export const dynamic = 'force-dynamic';

type Params = { params: Promise<{ id: string }> };

/** One recipe as a file: ours, or with `?as=json-ld` a schema.org Recipe; with `?as=read` as the pages have it, each amount in its unit. */
export function GET(request: Request, { params }: Params): Promise<Response> {
  return respondFile(async () => {
    const { id } = await params;
    const db = pool();
    const house = await theHouse(db);
    const stored = await readRecipe(db, house.id, id);
    if (!stored) throw unknown('recipe', id, []);
    const as = new URL(request.url).searchParams.get('as') ?? 'json';
    if (as === 'json-ld')
      return { body: toJsonLd(stored.recipe, house.kitchen), headers: fileNamed(`${id}.jsonld`) };
    if (as === 'read') return { body: stored.recipe };
    if (as !== 'json') throw cannot('as', as, 'json, json-ld or read');
    return { body: stored.body, headers: fileNamed(`${id}.json`) };
  });
}

export function PUT(request: Request, { params }: Params): Promise<Response> {
  return respond('PUT /api/recipes/[id]', async () => {
    const { id } = await params;
    const db = pool();
    const house = await theHouse(db);
    return { body: await saveRecipe(pool('saves'), house.id, id, await readJson(request, 200_000)) };
  });
}

/** Takes it out for good, where it was never cooked. */
export function DELETE(_request: Request, { params }: Params): Promise<Response> {
  return respond('DELETE /api/recipes/[id]', async () => {
    const { id } = await params;
    const house = await theHouse(pool());
    return { body: await deleteRecipe(pool('saves'), house.id, id) };
  });
}
