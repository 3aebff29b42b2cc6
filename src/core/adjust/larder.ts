import { ingredient, isIngredient } from '../food/catalogue';
import type { Product } from '../food/product';
import { pureeStrength } from '../thicken/puree';

const GROUPS: ReadonlySet<string> = new Set(['liquid', 'dairy', 'wine', 'egg', 'cheese', 'flour', 'starch']);

/** g of flour equivalent a gram, blended, under which it takes more of a vegetable than a soup bears. */
const LEAST_PUREE = 0.085;

/** What a house keeps: its products, less those it only buys when they are wanted. */
export const keptIn = (products: readonly Product[]): readonly string[] =>
  products.filter((p) => p.kept !== false).map((p) => p.ingredient);

/** Whether something kept could put a soup right at all, so that it is worth asking whether it is to hand. */
export function mendsSoup(id: string): boolean {
  if (!isIngredient(id)) return false;
  const food = ingredient(id);
  return GROUPS.has(food.group) || id === 'butter' || pureeStrength(food) >= LEAST_PUREE;
}
