import { ALLERGENS, type Allergen } from '../food/ingredient';
import { amended } from '../order/amended';
import type { Amendment, Order } from '../order/order';
import { portionsIn } from '../pot/contents/portions';
import { foodIn, type Kitchen } from '../pot/kitchen';
import type { Recipe } from '../recipe/recipe';
import type { RecipePortion } from '../recipe/recipeStep';
import type { RuleSetId } from '../safety/rules';

/**
 * What has to be declared where each rule holds: the nine of the United States, the fourteen of the European Union and
 * the United Kingdom, Canada’s priority allergens, those of Australia and New Zealand. From memory; the local code decides.
 */
export const DECLARED: { readonly [R in RuleSetId]: readonly Allergen[] } = {
  fda: ['milk', 'egg', 'fish', 'crustaceans', 'tree nuts', 'peanut', 'wheat', 'soya', 'sesame'],
  uk: ALLERGENS.filter((a) => a !== 'wheat'),
  eu: ALLERGENS.filter((a) => a !== 'wheat'),
  canada: ALLERGENS.filter((a) => a !== 'celery' && a !== 'lupin'),
  anz: ALLERGENS.filter((a) => a !== 'celery' && a !== 'mustard'),
};

/** What an order brings, in the order labels name it: what its recipe becomes, and what is held back for the bowl. */
export function allergensOfOrder(
  recipe: Recipe,
  order: Amendment & Pick<Order, 'garnish'>,
  kitchen: Kitchen,
): readonly Allergen[] {
  const ids = [
    ...amended(recipe, order).steps.flatMap((s) => portionsIn<RecipePortion>(s).map((p) => p.ingredient)),
    ...(order.garnish ?? []),
  ];
  const held = new Set(ids.flatMap((id) => foodIn(kitchen, id).allergens));
  return ALLERGENS.filter((a) => held.has(a));
}

/** A soup of a day with what is in it: as it was cooked, or as it is planned. */
export type DeclaredSoup = {
  readonly key: string;
  readonly name: string;
  readonly allergens: readonly Allergen[];
  readonly cooked: boolean;
};

/** The sheet of a day: soups down, what has to be declared across. */
export type AllergenSheet = {
  readonly day: string;
  readonly name: string;
  readonly rule: RuleSetId;
  readonly declared: readonly Allergen[];
  readonly soups: readonly DeclaredSoup[];
};
