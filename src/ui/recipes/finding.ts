import { ALLERGENS, type Allergen } from '../../core/food/ingredient';
import { type Message, message } from '../../core/message/message';
import type { Listed } from '../../core/recipe/listed';
import { findIn } from '../shared/form/findIn';

/** How the list stands. */
export const ORDERS = {
  house: message('House order'),
  cooked: message('Last cooked first'),
  longest: message('Longest not cooked first'),
  name: message('By name'),
} as const satisfies { readonly [order: string]: Message };
export type ListOrder = keyof typeof ORDERS;

/** What is looked for among the recipes. */
export type RecipeSearch = {
  readonly text: string;
  /** Only soups without it; null for all. */
  readonly without: Allergen | null;
  readonly order: ListOrder;
};

/** What was worked out of a recipe; null while it is not, or where it takes too long. */
export const landingOf = (r: Listed) => (r.landing === 'too much' ? null : r.landing);

/** Every word typed is somewhere in the name, the way of thickening, the band, the ingredients or the allergens. */
function says(r: Listed, text: string): boolean {
  const { ingredients = [], allergens = [] } = landingOf(r) ?? {};
  return findIn([r.name, r.school, r.band, ...ingredients, ...allergens], text);
}

const BY: { readonly [O in ListOrder]: (a: Listed, b: Listed) => number } = {
  house: () => 0,
  cooked: (a, b) => (b.cookedAt ?? '').localeCompare(a.cookedAt ?? ''),
  longest: (a, b) => (a.cookedAt ?? '').localeCompare(b.cookedAt ?? ''),
  name: (a, b) => a.name.localeCompare(b.name),
};

/**
 * The recipes that are what is looked for, in the order asked; and how many nobody can say of whether they are without
 * it, their ingredients not being worked out: those are never shown as without.
 */
export function findRecipes(recipes: readonly Listed[], { text, without, order }: RecipeSearch) {
  const here = recipes.filter((r) => says(r, text));
  const shown = without ? here.filter((r) => landingOf(r)?.allergens.includes(without) === false) : here;
  return {
    shown: [...shown].sort(BY[order]),
    unsure: without ? here.filter((r) => landingOf(r) === null).length : 0,
  };
}

/** Allergens any of the recipes has: there is nothing to ask of the others. */
export const allergensAmong = (recipes: readonly Listed[]): readonly Allergen[] =>
  ALLERGENS.filter((a) => recipes.some((r) => landingOf(r)?.allergens.includes(a)));
