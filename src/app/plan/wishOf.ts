import { planAsked } from '../../core/plan/choose/remedies';
import type { Plan } from '../../core/plan/types';
import { pool } from '../../server/database';
import { readHouse } from '../../server/queries/kitchen';
import { readRecipes } from '../../server/queries/recipes';
import type { Stores, Wish } from '../../ui/plan/request';
import { wishFrom } from '../../ui/plan/wish';

export type Query = Record<string, string | string[] | undefined>;

/** A stored kitchen and what is wished of it. */
export type Wished = { readonly stores: Stores; readonly wish: Wish };

/** The stored kitchen with its recipes in use, and the wish an address asks for; null in an empty house. */
export async function wishOf(query: Query): Promise<Wished | null> {
  const db = pool();
  const house = await readHouse(db);
  if (!house) return null;
  const recipes = (await readRecipes(db, house.id)).map((r) => r.recipe);
  const stores = { house, recipes };
  const flat = Object.fromEntries(Object.entries(query).map(([k, v]) => [k, Array.isArray(v) ? v[0] : v]));
  const wish = wishFrom(flat, stores);
  return wish && { stores, wish };
}

/** The plan of a wish; null when the house lacks what it asks for. */
export function planWished({ stores: { house, recipes }, wish }: Wished): Plan | null {
  const recipe = recipes.find((r) => r.id === wish.recipeId);
  return recipe ? planAsked({ house, recipe, asked: wish }) : null;
}
