import * as z from 'zod';
import { spreadSheet } from '../../../core/flow/tests/sheet';
import { numberFrom } from '../../../core/units/numberFrom';
import { pool } from '../../../server/database';
import { lineSpreadPdf } from '../../../server/exports/lineSpreadPdf';
import { PAPERS } from '../../../server/exports/paper';
import { theHouse } from '../../../server/kitchen';
import { accept, fileNamed, respond } from '../../../server/refusal';

const Asked = z.object({
  paper: z.enum(PAPERS).default('A4'),
  celsius: z.coerce
    .number()
    .pipe(numberFrom('celsius', 20, 95, '°C'))
    .default(65),
});

export function GET(request: Request): Promise<Response> {
  return respond(async () => {
    const { paper, celsius } = accept(Asked, Object.fromEntries(new URL(request.url).searchParams));
    const { kitchen } = await theHouse(pool());
    return {
      body: await lineSpreadPdf(spreadSheet(kitchen.bandLimits, celsius), paper),
      headers: { 'content-type': 'application/pdf', ...fileNamed(`line-spread-${paper}.pdf`) },
    };
  });
}
