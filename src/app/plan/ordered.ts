import type { TimedOrder } from '../../core/order/order';
import { pool } from '../../server/data/database';
import { readHouse } from '../../server/queries/kitchen';
import { readRecipes } from '../../server/queries/recipes';
import { orderFrom } from '../../ui/order/address';
import type { Stores } from '../../ui/order/stores';

export type Query = Record<string, string | string[] | undefined>;

/** A stored kitchen and what is ordered of it. */
export type Ordered = { readonly stores: Stores; readonly order: TimedOrder };

/** The stored kitchen with its recipes in use, and the order an address asks for; null in an empty house. */
export async function orderedIn(query: Query): Promise<Ordered | null> {
  const db = pool();
  const house = await readHouse(db);
  if (!house) return null;
  const recipes = (await readRecipes(db, house.id)).map((r) => r.recipe);
  const stores = { house, recipes };
  const flat = Object.fromEntries(Object.entries(query).map(([k, v]) => [k, Array.isArray(v) ? v[0] : v]));
  const order = orderFrom(flat, stores);
  return order && { stores, order };
}
