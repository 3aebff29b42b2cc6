import type { Metadata } from 'next';
import { amended } from '../../../core/plan/choose/ways';
import { planFor } from '../../../core/plan/plan';
import { planSheet } from '../../../core/plan/sheet';
import { amendmentOf } from '../../../ui/plan/request';
import { PrintedPlan } from '../../../ui/print/PrintedPlan';
import { EmptyHouse } from '../../../ui/shared/EmptyHouse';
import { type Query, wishOf } from '../wishOf';

export const metadata: Metadata = { title: 'Plan on paper' };
export const dynamic = 'force-dynamic';

export default async function PrintPage({ searchParams }: { searchParams: Promise<Query> }) {
  const found = await wishOf(await searchParams);
  const { house, recipes } = found?.stores ?? { house: null, recipes: [] };
  const wish = found?.wish;
  const recipe = recipes.find((r) => r.id === wish?.recipeId);
  const vessel = house?.vessels.find((v) => v.id === wish?.vesselId);
  const burner = house?.burners.find((b) => b.id === wish?.burnerId);
  if (!house || !wish || !recipe || !vessel || !burner) return <EmptyHouse />;
  const plan = planFor(amended(recipe, amendmentOf(wish)), wish, { vessel, burner, kitchen: house.kitchen });
  return <PrintedPlan sheet={planSheet(plan, wish.serveAt, house.show)} />;
}
