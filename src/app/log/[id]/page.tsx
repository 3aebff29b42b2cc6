import { notFound } from 'next/navigation';
import { loggedBatch } from '../../../server/actions/log/log';
import { pool } from '../../../server/data/database';
import { readHouse } from '../../../server/queries/kitchen';
import { isRefusal } from '../../../server/refusal';
import { BatchView } from '../../../ui/log/batch/BatchView';
import { EmptyHouse } from '../../../ui/shared/EmptyHouse';
import { titled } from '../../reader';

export const generateMetadata = titled('Batch');
export const dynamic = 'force-dynamic';

type Props = { params: Promise<{ id: string }>; searchParams: Promise<{ beside?: string }> };

/** A batch as logged; null where there is none of this id. */
const found = (id: string) =>
  loggedBatch(pool(), id).catch((error: unknown) => {
    if (isRefusal(error)) return null;
    throw error;
  });

export default async function BatchPage({ params, searchParams }: Props) {
  const [{ id }, { beside }] = await Promise.all([params, searchParams]);
  const house = await readHouse(pool());
  if (!house) return <EmptyHouse />;
  const [first, other] = await Promise.all([found(id), typeof beside === 'string' ? found(beside) : null]);
  if (!first) notFound();
  return <BatchView first={first} beside={other} currency={house.currency} />;
}
