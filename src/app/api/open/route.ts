import { readBytes } from '../../../server/refusal';
import { work } from '../../../server/work/work';
import { respond } from '../respond';

/** Largest file of recipes read, bytes: a saved page, a workbook. */
const MOST_FILE = 4_000_000;

/** Says what a file is and reads it, writing nothing: a recipe, a draft to look at, a kitchen or an archive. */
export function POST(request: Request): Promise<Response> {
  return respond('POST /api/open', async () => {
    return { body: await work('open', await readBytes(request, MOST_FILE)) };
  });
}
