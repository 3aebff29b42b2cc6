import { notFound } from 'next/navigation';
import { readRecordPage } from '../../server/actions/reading';
import { isRefusal } from '../../server/refusal';
import { Inspected } from '../../ui/keep/record/Inspected';
import { titled } from '../reader';

export const generateMetadata = titled('Record');
export const dynamic = 'force-dynamic';

type Query = Promise<{ from?: string; to?: string; page?: string }>;

/** The record of some days for whoever inspects: to be read and printed, nothing on it can be changed. */
export default async function RecordPage({ searchParams }: { searchParams: Query }) {
  const { from, to, page } = await searchParams;
  const record = await readRecordPage({ from: from ?? null, to: to ?? null, page: page ?? '0' }).catch(
    (error: unknown) => {
      if (isRefusal(error)) return null;
      throw error;
    },
  );
  if (record === null) notFound();
  return <Inspected record={record} of={null} />;
}
