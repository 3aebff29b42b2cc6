import type { Allergen, Ingredient } from '../../food/ingredient';
import { foodIn, type Kitchen } from '../kitchen';
import type { Portion, Step } from '../step';
import { portionsIn } from './portions';

/** g to buy for `g` in the pot: as much more as trimming takes. */
export const asBought = ({ edibleYield }: Pick<Ingredient, 'edibleYield'>, g: number): number =>
  g / edibleYield;

/** What goes into a pot in `steps`, in order; nothing of weight zero. */
export const putInBy = (steps: readonly Step[]): readonly Portion[] =>
  steps.flatMap((step) => portionsIn<Portion>(step).filter((p) => p.amount > 0));

/** Allergens of all that goes in in `steps`, by this kitchen's own products, each once. */
export const allergensOf = (
  steps: readonly Step[],
  kitchen: Pick<Kitchen, 'products'>,
): readonly Allergen[] => [
  ...new Set(putInBy(steps).flatMap((p) => foodIn(kitchen, p.ingredient).allergens)),
];

/** What something costs, in the house's currency: what is known of it, and how many things of it have no price. */
export type Cost = { readonly known: number; readonly unpriced: number };

/**
 * What `of` costs as it is bought, before trimming: `amount` g of each as it goes into the pot. Water is not
 * bought; what has no price is counted, each thing once.
 */
export function costOf(
  of: readonly { readonly ingredient: string; readonly amount: number }[],
  kitchen: Pick<Kitchen, 'products'>,
): Cost {
  let known = 0;
  const unpriced = new Set<string>();
  for (const { ingredient, amount } of of) {
    if (ingredient === 'water' || amount <= 0) continue;
    const price = kitchen.products?.[ingredient]?.pricePerKg;
    if (price === undefined) unpriced.add(ingredient);
    else known += (asBought(foodIn(kitchen, ingredient), amount) / 1000) * price;
  }
  return { known, unpriced: unpriced.size };
}

/** All of it, in the house's currency; null where the price of a thing is missing. */
export const wholeCost = (
  of: readonly { readonly ingredient: string; readonly amount: number }[],
  kitchen: Pick<Kitchen, 'products'>,
): number | null => {
  const { known, unpriced } = costOf(of, kitchen);
  return unpriced > 0 ? null : known;
};
