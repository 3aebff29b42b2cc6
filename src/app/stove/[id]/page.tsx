import { notFound } from 'next/navigation';
import * as z from 'zod';
import { pool } from '../../../server/data/database';
import { readBatch } from '../../../server/queries/batches';
import { StoveView } from '../../../ui/stove/StoveView';
import { titled } from '../../reader';

export const generateMetadata = titled('Stove');
export const dynamic = 'force-dynamic';

export default async function BatchPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const batch = z.uuid().safeParse(id).success ? await readBatch(pool(), id) : null;
  if (!batch) notFound();
  return <StoveView key={batch.id} batch={batch} />;
}
