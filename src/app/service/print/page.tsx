import { notFound } from 'next/navigation';
import { theService } from '../../../server/actions/services';
import { pool } from '../../../server/data/database';
import { isRefusal } from '../../../server/refusal';
import { work } from '../../../server/work/work';
import { PrintedService } from '../../../ui/print/PrintedService';
import { titled } from '../../reader';

export const generateMetadata = titled('Service on paper');
export const dynamic = 'force-dynamic';

export default async function PrintPage({ searchParams }: { searchParams: Promise<{ id?: string }> }) {
  const { id = '' } = await searchParams;
  const found = await theService(pool(), String(id)).catch((error: unknown) => {
    if (isRefusal(error)) return null;
    throw error;
  });
  if (!found) notFound();
  const { service } = found;
  return <PrintedService drawn={await work('drawn', service)} />;
}
