import { theHouse } from '../../server/actions/kitchen';
import { landingsOf } from '../../server/actions/landings';
import { pool } from '../../server/data/database';
import { readRecipes } from '../../server/queries/recipes';
import { type Listed, RecipesView } from '../../ui/recipes/RecipesView';
import { titled } from '../reader';

export const generateMetadata = titled('Recipes');
export const dynamic = 'force-dynamic';

export default async function RecipesPage() {
  const db = pool();
  const house = await theHouse(db);
  const stored = await readRecipes(db, house.id, { archived: true });
  const landings = await landingsOf(house, stored);
  const listed = stored.map(({ recipe, version, madeAt, archived }, n): Listed => {
    const { lands = null, viscosity = null, ingredients = [] } = landings[n] ?? {};
    return {
      id: recipe.id,
      name: recipe.name,
      school: recipe.school,
      band: recipe.band,
      lands,
      viscosity,
      litres: recipe.yieldLitres,
      ingredients,
      version,
      madeAt,
      archived,
    };
  });
  return <RecipesView recipes={listed} />;
}
