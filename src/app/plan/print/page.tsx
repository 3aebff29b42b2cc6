import type { Metadata } from 'next';
import { work } from '../../../server/work/work';
import { EmptyHouse } from '../../../ui/frame/EmptyHouse';
import { PrintedPlan } from '../../../ui/print/PrintedPlan';
import { type Query, wishOf } from '../wishOf';

export const metadata: Metadata = { title: 'Plan on paper' };
export const dynamic = 'force-dynamic';

export default async function PrintPage({ searchParams }: { searchParams: Promise<Query> }) {
  const found = await wishOf(await searchParams);
  return found ? <PrintedPlan sheet={await work('sheet', found.wish)} /> : <EmptyHouse />;
}
