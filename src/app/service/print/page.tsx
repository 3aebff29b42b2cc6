import { theService } from '../../../server/actions/services';
import { pool } from '../../../server/data/database';
import { work } from '../../../server/work/work';
import { PrintedService } from '../../../ui/print/PrintedService';
import { titled } from '../../reader';

export const generateMetadata = titled('Service on paper');
export const dynamic = 'force-dynamic';

export default async function PrintPage({ searchParams }: { searchParams: Promise<{ id?: string }> }) {
  const { service } = await theService(pool(), (await searchParams).id ?? '');
  return <PrintedService drawn={await work('drawn', service)} />;
}
