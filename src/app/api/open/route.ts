import { MOST_CHARACTERS } from '../../../core/formats/openFile';
import { readText } from '../../../server/refusal';
import { work } from '../../../server/work/work';
import { respond } from '../respond';

/** Says what a file is and reads it, writing nothing: a recipe, a draft to look at, a kitchen or an archive. */
export function POST(request: Request): Promise<Response> {
  return respond('POST /api/open', async () => {
    // A character may take four bytes.
    return { body: await work('open', await readText(request, MOST_CHARACTERS * 4)) };
  });
}
