import type { Metadata } from 'next';
import { EmptyHouse } from '../../ui/frame/EmptyHouse';
import { PlanView } from '../../ui/plan/PlanView';
import { type Query, wishOf } from './wishOf';

export const metadata: Metadata = { title: 'Plan' };
export const dynamic = 'force-dynamic';

export default async function PlanPage({ searchParams }: { searchParams: Promise<Query> }) {
  const found = await wishOf(await searchParams);
  return found ? <PlanView stores={found.stores} first={found.wish} /> : <EmptyHouse />;
}
