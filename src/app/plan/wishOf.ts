import { pool } from '../../server/data/database';
import { readHouse } from '../../server/queries/kitchen';
import { readRecipes } from '../../server/queries/recipes';
import { wishFrom } from '../../ui/order/address';
import type { Stores, Wish } from '../../ui/order/request';

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
