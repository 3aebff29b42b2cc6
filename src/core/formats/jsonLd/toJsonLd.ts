import { middleOf } from '../../flow/bands';
import { ingredient } from '../../food/catalogue';
import { planFor } from '../../plan/plan';
import type { Plan, WeighLine } from '../../plan/types';
import type { Kitchen } from '../../pot/kitchen';
import type { Recipe } from '../../recipe/recipe';
import { detailsOf, titleOf } from '../../words/steps';

/** ISO 8601 duration of some seconds, to the minute. */
export const isoDuration = (seconds: number): string => {
  const minutes = Math.max(1, Math.round(seconds / 60));
  const hours = Math.floor(minutes / 60);
  return `PT${hours ? `${hours}H` : ''}${minutes % 60 || !hours ? `${minutes % 60}M` : ''}`;
};

/** "640 g Plain flour, sifted": a line any reader understands and ours reads back. */
const ingredientLine = (l: Pick<WeighLine, 'g' | 'ingredient' | 'prep'>): string =>
  `${Number(l.g.toFixed(1))} g ${ingredient(l.ingredient).name}${l.prep ? ` (${l.prep})` : ''}`;

/** What we say of a recipe in schema.org's words; times are ISO 8601. */
type RecipeJsonLd = {
  readonly '@context': 'https://schema.org';
  readonly '@type': 'Recipe';
  readonly name: string;
  readonly description: string;
  readonly recipeCategory: string;
  readonly recipeYield: string;
  readonly totalTime: string;
  readonly tool: string;
  readonly recipeIngredient: readonly string[];
  readonly recipeInstructions: readonly {
    readonly '@type': 'HowToStep';
    readonly name: string;
    readonly text: string;
  }[];
};

/**
 * A recipe as schema.org Recipe JSON-LD, for other programs. What our recipe leaves to the plan is solved
 * in its home pot first, since a line there has an amount.
 */
export function toJsonLd(recipe: Recipe, kitchen: Kitchen): RecipeJsonLd {
  const plan: Plan = planFor(
    recipe,
    { litres: recipe.yieldLitres, target: middleOf(recipe.band, kitchen.bandLimits) },
    { ...recipe.home, kitchen },
    undefined,
    { asWritten: true },
  );
  return {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: recipe.name,
    description: `${recipe.school}. ${recipe.band}: ${Math.round(plan.found.bowlViscosity)} mPa·s in the bowl at 65 °C.`,
    recipeCategory: 'Soup',
    recipeYield: `${recipe.yieldLitres} L`,
    totalTime: isoDuration(plan.seconds),
    tool: recipe.home.vessel.name,
    recipeIngredient: plan.weighOut.map(ingredientLine),
    recipeInstructions: plan.steps.map(({ step }) => ({
      '@type': 'HowToStep',
      name: titleOf(step),
      text: [titleOf(step), ...detailsOf(step), ...(step.look ? [`Look for: ${step.look}`] : [])].join('. '),
    })),
  };
}
