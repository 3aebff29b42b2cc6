import type { RecipeList } from '../../core/recipe/listed';
import { pool } from '../data/database';
import { readRecipeNames } from '../queries/recipes';
import { theHouse } from './kitchen';
import { landingsOf } from './landings';

/** ms a list waits for where its recipes land: what is not known then comes when it is asked for again. */
const PATIENCE = 400;

/** The kitchen’s recipes as a list shows them, archived ones too; the first `atMost` of them. */
export async function recipeList(atMost: number): Promise<RecipeList> {
  const db = pool();
  const house = await theHouse(db);
  const names = await readRecipeNames(db, house.id, { archived: true });
  const these = names.slice(0, atMost);
  const landings = await landingsOf(house, these, PATIENCE);
  return {
    recipes: these.map((r, n) => ({
      ...r,
      landing: landings[n] === null ? 'too much' : (landings[n] ?? null),
    })),
    more: names.length - these.length,
  };
}
