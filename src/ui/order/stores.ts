import type { House } from '../../core/kitchen/house';
import type { Amendment } from '../../core/order/order';
import type { Recipe } from '../../core/recipe/recipe';

/** The house, and its recipes as far as they are known here. */
export type Stores = { readonly house: House; readonly recipes: readonly Recipe[] };

/** What a list says of a recipe. */
export type SoupName = Pick<Recipe, 'id' | 'name' | 'school'>;

/** Stores with the names of all there is: what is in one is fetched when it is chosen. */
export type Shelf = Stores & { readonly soups: readonly SoupName[] };

/** All an order can change in its recipe, by name: the schema they stand in stays off the page. */
const CHANGES: { readonly [K in keyof Required<Amendment>]: true } = {
  rule: true,
  colour: true,
  asWritten: true,
  way: true,
  share: true,
  moreFat: true,
  moreSimmer: true,
  liquidAt: true,
  dairy: true,
  finish: true,
  rich: true,
  finishMl: true,
  stock: true,
  made: true,
  stockMl: true,
  topUp: true,
  wineTo: true,
  diet: true,
};

/** What an order changes in its recipe, apart from the rest of it. */
export const amendmentOf = (order: Amendment): Amendment =>
  Object.fromEntries((Object.keys(CHANGES) as (keyof Amendment)[]).map((key) => [key, order[key]]));

/** An order that changes nothing, each change said to be none. */
export const UNCHANGED: Amendment = amendmentOf({});

/** The recipe's roux step, if it has one: what the thickener control may change. */
export const rouxOf = (recipe: Recipe) => recipe.steps.find((s) => s.kind === 'roux');
