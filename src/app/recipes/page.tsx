import type { Metadata } from 'next';
import { middleOf } from '../../core/flow/bands';
import { planFor } from '../../core/plan/plan';
import { pool } from '../../server/database';
import { theHouse } from '../../server/kitchen';
import { readRecipes } from '../../server/queries/recipes';
import { type Listed, RecipesView } from '../../ui/recipes/RecipesView';

export const metadata: Metadata = { title: 'Recipes' };
export const dynamic = 'force-dynamic';

export default async function RecipesPage() {
  const db = pool();
  const house = await theHouse(db);
  const stored = await readRecipes(db, house.id, { archived: true });
  const listed = stored.map(({ recipe, version, madeAt, archived }): Listed => {
    const plan = planFor(
      recipe,
      { litres: recipe.yieldLitres, viscosity: middleOf(recipe.band, house.kitchen.bandLimits) },
      { ...recipe.home, kitchen: house.kitchen },
    );
    return {
      id: recipe.id,
      name: recipe.name,
      school: recipe.school,
      band: recipe.band,
      lands: plan.found.band,
      viscosity: plan.found.bowlViscosity,
      litres: recipe.yieldLitres,
      ingredients: plan.weighOut.map((l) => l.name),
      version,
      madeAt,
      archived,
    };
  });
  return <RecipesView recipes={listed} />;
}
