import type { Metadata } from 'next';
import Link from 'next/link';
import * as z from 'zod';
import { theHouse } from '../../server/actions/kitchen';
import { pool } from '../../server/data/database';
import { theRail } from '../../server/live/theRail';
import { readBatch } from '../../server/queries/batches';
import { FixView } from '../../ui/fix/FixView';

export const metadata: Metadata = { title: 'Fix' };
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
      <div className="grid h-full place-content-center gap-6 p-8 text-center">
        <h1 className="font-bold text-[40px]">Nothing on the stove to put right</h1>
        <Link
          href="/plan"
          className="mx-auto grid min-h-20 place-items-center rounded-sm bg-butter px-8 font-bold text-[24px] text-on-butter"
        >
          Plan a soup
        </Link>
      </div>
    );
  return (
    <FixView
      key={batch.id}
      house={house}
      batch={batch}
      pots={tickets.map(({ id: value, name }) => ({ id: value, name }))}
    />
  );
}
