import { ReviewedLines } from '../../../contract/recipes';
import { accept, readJson } from '../../../server/refusal';
import { work } from '../../../server/work/work';
import { respond } from '../respond';

/** Makes a recipe of looked-at lines, writing nothing; it is the editor that saves it. */
export function POST(request: Request): Promise<Response> {
  return respond('POST /api/drafts', async () => ({
    body: await work('draft', accept(ReviewedLines, await readJson(request, 400_000))),
  }));
}
