import { CompareView } from '../../ui/compare/CompareView';
import { EmptyHouse } from '../../ui/shared/EmptyHouse';
import { orderedIn, type Query } from '../plan/ordered';
import { titled } from '../reader';

export const generateMetadata = titled('Compare');
export const dynamic = 'force-dynamic';

export default async function ComparePage({ searchParams }: { searchParams: Promise<Query> }) {
  const found = await orderedIn(await searchParams);
  return found ? <CompareView stores={found.stores} first={found.order} /> : <EmptyHouse />;
}
