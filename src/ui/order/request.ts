import type { House } from '../../core/house/house';
import type { Amendment } from '../../core/order/ways';
import type { Recipe } from '../../core/recipe/recipe';
import type { EqualParts } from '../../core/thicken/equalParts';
import type { RouxColour } from '../../core/thicken/granules';

/** What the sentence says, by ids: enough to plan, to keep in the address, and to start a batch. */
export type Wish = Amendment & {
  readonly recipeId: string;
  readonly litres: number;
  readonly viscosity: number;
  readonly vesselId: string;
  readonly burnerId: string;
  readonly rule?: EqualParts | undefined;
  readonly colour?: RouxColour | undefined;
  /** "18:30" */
  readonly serveAt: string;
};

export type Stores = { readonly house: House; readonly recipes: readonly Recipe[] };

/** What a wish changes in its recipe, apart from the order itself. */
export const amendmentOf = ({ way, share, moreFat, moreSimmer, liquidAt, dairy }: Wish): Amendment => ({
  ...(way !== undefined && { way }),
  ...(share !== undefined && { share }),
  ...(moreFat !== undefined && { moreFat }),
  ...(moreSimmer !== undefined && { moreSimmer }),
  ...(liquidAt !== undefined && { liquidAt }),
  ...(dairy !== undefined && { dairy }),
});

/** The recipe's roux step, if it has one: what the thickener control may change. */
export const rouxOf = (recipe: Recipe) => recipe.steps.find((s) => s.kind === 'roux');
