import type { Metadata } from 'next';
import { pool } from '../../server/database';
import { readHouse } from '../../server/queries/kitchen';
import { readRecipes } from '../../server/queries/recipes';
import { PlanView } from '../../ui/plan/PlanView';
import { wishFrom } from '../../ui/plan/wish';

export const metadata: Metadata = { title: 'Plan' };
export const dynamic = 'force-dynamic';

type Query = Record<string, string | string[] | undefined>;

export default async function PlanPage({ searchParams }: { searchParams: Promise<Query> }) {
  const db = pool();
  const house = await readHouse(db);
  const recipes = house ? (await readRecipes(db, house.id)).map((r) => r.recipe) : [];
  const query = Object.fromEntries(
    Object.entries(await searchParams).map(([k, v]) => [k, Array.isArray(v) ? v[0] : v]),
  );
  const first = house ? wishFrom(query, { house, recipes }) : null;
  if (!house || !first) {
    return (
      <p className="p-8 text-[24px]">
        This kitchen has no pots, burners and recipes yet: start with the demo to load some.
      </p>
    );
  }
  return <PlanView stores={{ house, recipes }} first={first} />;
}
