import { ingredient, isIngredient } from '../food/catalogue';
import { PUREE_STRENGTH } from '../thicken/puree';

const GROUPS: ReadonlySet<string> = new Set(['liquid', 'dairy', 'wine', 'egg', 'cheese', 'flour', 'starch']);

/** g of flour equivalent a kg, blended, under which it takes more of a vegetable than a soup bears. */
const LEAST_PUREE = 90;

/** Whether something kept could put a soup right at all, so that it is worth asking whether it is to hand. */
export function mendsSoup(id: string): boolean {
  if (!isIngredient(id)) return false;
  const { group, puree } = ingredient(id);
  return (
    GROUPS.has(group) || id === 'butter' || (puree !== undefined && PUREE_STRENGTH[puree] >= LEAST_PUREE)
  );
}
