import { DAIRY } from './data/dairy';
import { FATS } from './data/fats';
import { GRAINS } from './data/grains';
import { LIQUIDS } from './data/liquids';
import { ROOTS } from './data/roots';
import { SEAFOOD } from './data/seafood';
import { SEASONINGS } from './data/seasonings';
import { THICKENERS } from './data/thickeners';
import { VEGETABLES } from './data/vegetables';
import type { Ingredient } from './ingredient';

export const CATALOGUE: readonly Ingredient[] = [
  ...LIQUIDS,
  ...THICKENERS,
  ...FATS,
  ...DAIRY,
  ...ROOTS,
  ...VEGETABLES,
  ...GRAINS,
  ...SEAFOOD,
  ...SEASONINGS,
];

const BY_ID = new Map(CATALOGUE.map((i) => [i.id, i]));

export const isIngredient = (id: string): boolean => BY_ID.has(id);

/** The ingredient with this id. Throws a RangeError for an unknown one: validate at the edge. */
export function ingredient(id: string): Ingredient {
  const found = BY_ID.get(id);
  if (!found) throw new RangeError(`ingredient “${id}” is not in the catalogue`);
  return found;
}
