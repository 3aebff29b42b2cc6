import * as z from 'zod';
import { numberFrom } from '../../../core/units/numberFrom';
import { PAPERS } from '../../../server/exports/paper';
import { accept, fileNamed } from '../../../server/refusal';
import { work } from '../../../server/work/work';
import { respondFile } from '../respond';

const Asked = z.object({
  paper: z.enum(PAPERS).default('A4'),
  celsius: z.coerce
    .number()
    .pipe(numberFrom('celsius', 20, 95, '°C'))
    .default(65),
});

export function GET(request: Request): Promise<Response> {
  return respondFile(async () => {
    const { paper, celsius } = accept(Asked, Object.fromEntries(new URL(request.url).searchParams));
    return {
      body: await work('lineSpread', { celsius, paper }),
      headers: { 'content-type': 'application/pdf', ...fileNamed(`line-spread-${paper}.pdf`) },
    };
  });
}
