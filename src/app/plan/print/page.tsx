import type { Metadata } from 'next';
import { planSheet } from '../../../core/plan/sheet';
import { PrintedPlan } from '../../../ui/print/PrintedPlan';
import { EmptyHouse } from '../../../ui/shared/EmptyHouse';
import { planWished, type Query, wishOf } from '../wishOf';

export const metadata: Metadata = { title: 'Plan on paper' };
export const dynamic = 'force-dynamic';

export default async function PrintPage({ searchParams }: { searchParams: Promise<Query> }) {
  const found = await wishOf(await searchParams);
  const plan = found && planWished(found);
  if (!plan) return <EmptyHouse />;
  return <PrintedPlan sheet={planSheet(plan, found.wish.serveAt, found.stores.house.show)} />;
}
