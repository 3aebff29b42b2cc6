import { ingredient, isIngredient } from '../food/catalogue';
import { pureeStrength } from '../thicken/puree';

const GROUPS: ReadonlySet<string> = new Set(['liquid', 'dairy', 'wine', 'egg', 'cheese', 'flour', 'starch']);

/** g of flour equivalent a gram, blended, under which it takes more of a vegetable than a soup bears. */
const LEAST_PUREE = 0.085;

/** Whether something kept could put a soup right at all, so that it is worth asking whether it is to hand. */
export function mendsSoup(id: string): boolean {
  if (!isIngredient(id)) return false;
  const food = ingredient(id);
  return GROUPS.has(food.group) || id === 'butter' || pureeStrength(food) >= LEAST_PUREE;
}
