import * as z from 'zod';
import { message } from '../../core/message/message';
import { theHouse } from '../../server/actions/kitchen';
import { pool } from '../../server/data/database';
import { theRail } from '../../server/live/theRail';
import { readBatch } from '../../server/queries/batches';
import { FixView } from '../../ui/fix/FixView';
import { Nothing } from '../../ui/shared/Nothing';
import { putAway } from '../away';
import { titled } from '../reader';

export const generateMetadata = titled('Fix');
export const dynamic = 'force-dynamic';

/** The pot the address names, or the oldest on the stove. */
export default async function FixPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { batch: asked } = await searchParams;
  const db = pool();
  const [house, tickets] = await Promise.all([theHouse(db), theRail()]);
  const id = typeof asked === 'string' ? asked : tickets[0]?.id;
  const batch = z.uuid().safeParse(id).success ? await readBatch(db, String(id)) : null;
  if (!batch)
    return (
      <Nothing what={message('Nothing on the stove to put right')} href="/plan" go={message('Plan a soup')} />
    );
  return (
    putAway(batch) ?? (
      <FixView
        key={batch.id}
        house={house}
        batch={batch}
        pots={tickets.map(({ id: value, name }) => ({ id: value, name }))}
      />
    )
  );
}
