import { work } from '../../../server/work/work';
import { PrintedPlan } from '../../../ui/print/PrintedPlan';
import { EmptyHouse } from '../../../ui/shared/EmptyHouse';
import { languageHere, titled } from '../../reader';
import { orderedIn, type Query } from '../ordered';

export const generateMetadata = titled('Plan on paper');
export const dynamic = 'force-dynamic';

export default async function PrintPage({ searchParams }: { searchParams: Promise<Query> }) {
  const found = await orderedIn(await searchParams);
  return found ? (
    <PrintedPlan sheet={await work('sheet', { order: found.order, language: await languageHere() })} />
  ) : (
    <EmptyHouse />
  );
}
