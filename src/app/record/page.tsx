import { notFound } from 'next/navigation';
import { theRecord } from '../../server/actions/record';
import { pool } from '../../server/data/database';
import { isRefusal } from '../../server/refusal';
import { Inspected } from '../../ui/keep/record/Inspected';
import { titled } from '../reader';

export const generateMetadata = titled('Record');
export const dynamic = 'force-dynamic';

/** The record of some days for whoever inspects: to be read and printed, nothing on it can be changed. */
export default async function RecordPage({
  searchParams,
}: {
  searchParams: Promise<{ from?: string; to?: string }>;
}) {
  const { from, to } = await searchParams;
  const record = await theRecord(pool(), { from: from ?? null, to: to ?? null }).catch((error: unknown) => {
    if (isRefusal(error)) return null;
    throw error;
  });
  if (!record) notFound();
  return <Inspected record={record} of={null} />;
}
