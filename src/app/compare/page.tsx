import type { Metadata } from 'next';
import { CompareView } from '../../ui/compare/CompareView';
import { EmptyHouse } from '../../ui/frame/EmptyHouse';
import { type Query, wishOf } from '../plan/wishOf';

export const metadata: Metadata = { title: 'Compare' };
export const dynamic = 'force-dynamic';

export default async function ComparePage({ searchParams }: { searchParams: Promise<Query> }) {
  const found = await wishOf(await searchParams);
  return found ? <CompareView stores={found.stores} first={found.wish} /> : <EmptyHouse />;
}
