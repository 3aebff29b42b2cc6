import { wordsFor } from '../../../../core/say/inWords';
import { copied, dayAfter } from '../../../../core/service/service';
import { openDay, saveCycle } from '../../../../server/actions/services';
import { pool } from '../../../../server/data/database';
import { type Drawn, serviceIcs } from '../../../../server/exports/serviceFiles';
import { fileNamed, readJson } from '../../../../server/refusal';
import { work } from '../../../../server/work/work';
import { readerHere } from '../../../reader';
import { respond } from '../../respond';

export const dynamic = 'force-dynamic';

/** Days of a cycle that are given out at most. */
const MOST_DAYS = 28;

/** Every day from `day` on for one round of the cycle, four weeks at most, as a calendar (RFC 5545): what is planned, and what the cycle would bring where nothing is. */
export function GET(request: Request): Promise<Response> {
  return respond(async () => {
    const from = new URL(request.url).searchParams.get('day') ?? '';
    const first = await openDay(pool(), from);
    const days = Math.min(MOST_DAYS, (first.cycle?.weeks.length ?? 1) * 7);
    const drawn: Drawn[] = [];
    for (let n = 0; n < days; n++) {
      const day = n === 0 ? first : await openDay(pool(), dayAfter(from, n));
      const planned = day.services.map((s) => s.service);
      const services =
        planned.length > 0 ? planned : day.turn.map((s) => copied(s, `${s.id}-${day.day}`, day.day));
      for (const service of services) drawn.push(await work('drawn', service));
    }
    return {
      body: serviceIcs(drawn, wordsFor(await readerHere())),
      headers: { ...fileNamed(`menu-${from}.ics`), 'content-type': 'text/calendar; charset=utf-8' },
    };
  });
}

/** Keeps the kitchen’s menu cycle. */
export function PUT(request: Request): Promise<Response> {
  return respond(async () => ({ body: await saveCycle(pool('saves'), await readJson(request, 200_000)) }));
}
