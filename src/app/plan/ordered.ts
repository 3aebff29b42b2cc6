import type { TimedOrder } from '../../core/order/order';
import { pool } from '../../server/data/database';
import { readHouse } from '../../server/queries/kitchen';
import { readRecipe, readRecipeNames } from '../../server/queries/recipes';
import { type Misread, misread, orderFrom } from '../../ui/order/address';
import type { Shelf } from '../../ui/order/stores';

export type Query = Record<string, string | string[] | undefined>;

/** A stored kitchen and what is ordered of it. */
export type Ordered = {
  readonly stores: Shelf;
  readonly order: TimedOrder;
  /** What the address says and cannot be taken: what stands in its place is the house’s first. */
  readonly misread: readonly Misread[];
};

/** The stored kitchen with the names of its recipes in use, that one an address asks for, and the order; null in an empty house. */
export async function orderedIn(query: Query): Promise<Ordered | null> {
  const db = pool();
  const house = await readHouse(db);
  if (!house) return null;
  const flat = Object.fromEntries(Object.entries(query).map(([k, v]) => [k, Array.isArray(v) ? v[0] : v]));
  const soups = (await readRecipeNames(db, house.id)).map(({ id, name, school }) => ({ id, name, school }));
  const wanted = soups.find((s) => s.id === flat.recipe) ?? soups[0];
  const stored = wanted && (await readRecipe(db, house.id, wanted.id));
  const stores = { house, soups, recipes: stored ? [stored.recipe] : [] };
  const order = orderFrom(flat, stores);
  return order && { stores, order, misread: misread(flat, stores) };
}
