import type { House } from '../../core/house/house';
import type { Amendment } from '../../core/order/order';
import type { Recipe } from '../../core/recipe/recipe';

export type Stores = { readonly house: House; readonly recipes: readonly Recipe[] };

/** What an order changes in its recipe, apart from the rest of it. */
export const amendmentOf = ({
  rule,
  colour,
  way,
  share,
  moreFat,
  moreSimmer,
  liquidAt,
  dairy,
  finish,
  rich,
  finishMl,
  stock,
  made,
  stockMl,
  topUp,
  wineTo,
  diet,
}: Amendment): Amendment => ({
  rule,
  colour,
  way,
  share,
  moreFat,
  moreSimmer,
  liquidAt,
  dairy,
  finish,
  rich,
  finishMl,
  stock,
  made,
  stockMl,
  topUp,
  wineTo,
  diet,
});

/** The recipe's roux step, if it has one: what the thickener control may change. */
export const rouxOf = (recipe: Recipe) => recipe.steps.find((s) => s.kind === 'roux');
