import { notFound } from 'next/navigation';
import * as z from 'zod';
import { rulesIn } from '../../../core/keep/standing';
import { RULES } from '../../../core/safety/rules';
import { pool } from '../../../server/data/database';
import { readBatch } from '../../../server/queries/batches';
import { readHouse } from '../../../server/queries/kitchen';
import { StoveView } from '../../../ui/stove/StoveView';
import { putAway } from '../../away';
import { titled } from '../../reader';

export const generateMetadata = titled('Stove');
export const dynamic = 'force-dynamic';

export default async function BatchPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const [batch, house] = await Promise.all([
    z.uuid().safeParse(id).success ? readBatch(pool(), id) : null,
    readHouse(pool()),
  ]);
  if (!batch) notFound();
  return (
    putAway(batch) ?? <StoveView key={batch.id} batch={batch} rules={house ? rulesIn(house) : RULES.fda} />
  );
}
