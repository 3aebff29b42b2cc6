import { ingredient } from '../../food/catalogue';
import { canBeIn } from '../../recipe/pans';
import type { Recipe } from '../../recipe/recipe';
import type { RecipePortion, RecipeStep } from '../../recipe/recipeStep';

/** Shares a wine is boiled down to, from not at all. */
export const WINE_TO = [1, 0.5, 0.33, 0.2] as const;

const isWine = (p: RecipePortion): boolean => ingredient(p.ingredient).group === 'wine';
const holdsWine = (s: RecipeStep | undefined): boolean => s?.kind === 'add' && s.items.some(isWine);

/** Whether there is wine in a recipe to boil down. */
export const hasWine = (recipe: Pick<Recipe, 'steps'>): boolean => recipe.steps.some(holdsWine);

/**
 * The steps with each wine poured by itself and boiled down to `share` of it before anything else is poured;
 * whatever the recipe did to boil it down goes. A share of 1 boils nothing down, and what is poured where nothing boils,
 * a tray or a bowl of `pans`, stays as it is.
 */
export function wineDownTo(
  steps: readonly RecipeStep[],
  share: number,
  pans: Recipe['pans'] = [],
): readonly RecipeStep[] {
  const boils = ({ in: name }: RecipeStep): boolean =>
    name === undefined || pans.some((p) => p.name === name && canBeIn('reduce', p.as));
  return steps.flatMap((s, n): readonly RecipeStep[] => {
    if (s.kind === 'reduce' && holdsWine(steps[n - 1])) return [];
    if (s.kind !== 'add' || !holdsWine(s) || share >= 1 || !boils(s)) return [s];
    const wine = s.items.filter(isWine);
    const rest = s.items.filter((p) => !isWine(p));
    return [
      { ...s, items: wine },
      {
        kind: 'reduce',
        ...(s.in && { in: s.in }),
        flame: 0.9,
        to: { ofLast: share },
        look: 'no smell of spirit; the fond is loose',
      },
      ...(rest.length > 0 ? [{ ...s, items: rest }] : []),
    ];
  });
}
