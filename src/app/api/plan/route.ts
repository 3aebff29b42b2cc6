import { Order } from '../../../core/order/order';
import { accept, readJson } from '../../../server/refusal';
import { work } from '../../../server/work/work';
import { respond } from '../respond';

/** Plans without writing anything: the same answer the Plan view computes, for other programs. */
export function POST(request: Request): Promise<Response> {
  return respond('POST /api/plan', async () => ({
    body: await work('plan', accept(Order, await readJson(request))),
  }));
}
