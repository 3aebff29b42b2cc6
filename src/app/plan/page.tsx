import { PlanView } from '../../ui/plan/PlanView';
import { EmptyHouse } from '../../ui/shared/EmptyHouse';
import { titled } from '../reader';
import { orderedIn, type Query } from './ordered';

export const generateMetadata = titled('Plan');
export const dynamic = 'force-dynamic';

export default async function PlanPage({ searchParams }: { searchParams: Promise<Query> }) {
  const found = await orderedIn(await searchParams);
  return found ? <PlanView stores={found.stores} first={found.order} /> : <EmptyHouse />;
}
