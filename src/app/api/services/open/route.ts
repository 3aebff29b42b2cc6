import { readText } from '../../../../server/refusal';
import { work } from '../../../../server/work/work';
import { respond } from '../../respond';

/** Says what a file is for the board and reads it, writing nothing: a service, a cycle, a calendar, or covers. */
export function POST(request: Request): Promise<Response> {
  return respond('POST /api/services/open', async () => ({
    body: await work('openService', await readText(request, 1_600_000)),
  }));
}
