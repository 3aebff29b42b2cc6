import * as z from 'zod';
import { theHouse } from '../../server/actions/kitchen';
import { pool } from '../../server/data/database';
import { theRail } from '../../server/live/theRail';
import { readBatch } from '../../server/queries/batches';
import { CheckView } from '../../ui/check/CheckView';
import { putAway } from '../away';
import { titled } from '../reader';

export const generateMetadata = titled('Check');
export const dynamic = 'force-dynamic';

/** The pot the address names, the oldest on the stove when it names none, and none when it says so. */
export default async function CheckPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { batch: asked } = await searchParams;
  const db = pool();
  const [house, tickets] = await Promise.all([theHouse(db), theRail()]);
  const id = typeof asked === 'string' ? asked : tickets[0]?.id;
  const batch = z.uuid().safeParse(id).success ? await readBatch(db, String(id)) : null;
  return (
    (batch && putAway(batch)) ?? (
      <CheckView
        key={batch?.id ?? 'none'}
        house={house}
        batch={batch}
        pots={tickets.map(({ id: value, name }) => ({ id: value, name }))}
      />
    )
  );
}
