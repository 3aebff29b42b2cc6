import { pool } from '../../../server/database';
import { PlanRequest, planStored } from '../../../server/planning';
import { accept, readJson, respond } from '../../../server/refusal';

/** Plans without writing anything: the same answer the Plan view computes, for other programs. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { plan } = await planStored(pool(), accept(PlanRequest, await readJson(request)));
    const { solved: _kept, ...body } = plan;
    return { body };
  });
}
