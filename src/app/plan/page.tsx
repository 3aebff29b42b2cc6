import { work } from '../../server/work/work';
import { requestOf } from '../../ui/order/address';
import { PlanView } from '../../ui/plan/PlanView';
import { EmptyHouse } from '../../ui/shared/EmptyHouse';
import { titled } from '../reader';
import { orderedIn, type Query } from './ordered';

export const generateMetadata = titled('Plan');
export const dynamic = 'force-dynamic';

export default async function PlanPage({ searchParams }: { searchParams: Promise<Query> }) {
  const found = await orderedIn(await searchParams);
  if (!found) return <EmptyHouse />;
  // Where the threads have no time for it, the page solves it itself.
  const begun = await work('begun', requestOf(found.order)).catch(() => undefined);
  return <PlanView stores={found.stores} first={found.order} begun={begun} misread={found.misread} />;
}
