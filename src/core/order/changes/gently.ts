import { ingredient } from '../../food/catalogue';
import { ROWS } from '../../pot/kinds/rows';
import type { Recipe } from '../../recipe/recipe';
import type { RecipePortion, RecipeStep } from '../../recipe/recipeStep';

/** Ways to spare a soup’s dairy: warmed before it goes in, in last of all below the simmer, or richer instead of thin. */
export const GENTLY = ['warm', 'last', 'richer'] as const;
export type Gently = (typeof GENTLY)[number];

/** °C dairy is warmed to, and the pot is kept at with dairy in it: under 82 nothing comes of heat alone. Common practice, no source. */
const WARMED = 60;
const KEPT_AT = 80;
/** °C the pot is let come down to before it: what is warmed then takes it under 82. */
const MEETS_AT = 85;

/** Cream rich enough to stand acid and heat, and the share of fat under which dairy is replaced by it. Common practice, no source. */
const RICH = 'whipping-cream';
const THIN = 0.3;

const isDairy = (p: RecipePortion): boolean => ingredient(p.ingredient).group === 'dairy';
const isMadeUp = ({ amount }: RecipePortion): boolean => amount.kind === 'solve' && amount.goal === 'volume';
const isLate = (s: RecipeStep): boolean => ROWS[s.kind].late;

const onDairy = (
  steps: readonly RecipeStep[],
  change: (p: RecipePortion) => RecipePortion,
): readonly RecipeStep[] =>
  steps.map((s) =>
    s.kind === 'add' ? { ...s, items: s.items.map((p) => (isDairy(p) ? change(p) : p)) } : s,
  );

const warmed = (p: RecipePortion): RecipePortion => ({ ...p, celsius: Math.max(WARMED, p.celsius ?? 0) });

/** All dairy of the `add` steps in one step after the cooking, below the simmer; what makes up the litres stays where it is. */
function atTheEnd(steps: readonly RecipeStep[]): readonly RecipeStep[] {
  const later = (p: RecipePortion): boolean => isDairy(p) && !isMadeUp(p);
  const dairy = steps.flatMap((s) => (s.kind === 'add' ? s.items.filter(later) : []));
  if (dairy.length === 0) return steps;
  const firstDairy = steps.findIndex((s) => s.kind === 'add' && s.items.some(later));
  const rest = steps.flatMap((s): RecipeStep[] => {
    if (s.kind !== 'add') return [s];
    const items = s.items.filter((p) => !later(p));
    return items.length > 0 ? [{ ...s, items }] : [];
  });
  // What the recipe did to warm the dairy through is done once, at the end.
  const kept = rest.filter((s, n) => !(s.kind === 'bring-to' && typeof s.to === 'number' && n >= firstDairy));
  const late = kept.findIndex((s, n) => isLate(s) && !kept.slice(n).some((t) => !isLate(t)));
  const at = late === -1 ? kept.length : late;
  const end: RecipeStep[] = [
    { kind: 'bring-to', to: MEETS_AT, flame: 0.5, lid: 'off' },
    { kind: 'add', items: dairy.map(warmed) },
    { kind: 'bring-to', to: KEPT_AT, flame: 0.3, lid: 'off' },
  ];
  return [...kept.slice(0, at), ...end, ...kept.slice(at)];
}

/** The steps with their dairy treated `how`; as they are where there is nothing to change. */
export function gently(recipe: Pick<Recipe, 'steps'>, how: Gently): readonly RecipeStep[] {
  const { steps } = recipe;
  if (how === 'warm') return onDairy(steps, warmed);
  if (how === 'last') return atTheEnd(steps);
  return onDairy(steps, (p) =>
    ingredient(p.ingredient).composition.fat < THIN && !isMadeUp(p) ? { ...p, ingredient: RICH } : p,
  );
}
