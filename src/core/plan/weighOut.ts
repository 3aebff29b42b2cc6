import { POURED } from '../food/ingredient';
import { asBought } from '../pot/contents/goesIn';
import { portionsIn } from '../pot/contents/portions';
import { foodIn, type Kitchen } from '../pot/kitchen';
import type { Portion } from '../pot/step';
import type { Recipe } from '../recipe/recipe';
import type { RecipePortion } from '../recipe/recipeStep';
import { asKitchenMeasure } from '../units/measure';
import { roundToScale } from '../units/shown/round';
import type { Run } from './solve/simulate';
import type { WeighLine } from './types';

/** What to weigh, in the order the stove needs it. Nothing of weight zero is listed. */
export function weighOut(recipe: Recipe, run: Run, kitchen: Kitchen): readonly WeighLine[] {
  return run.ran.flatMap(({ step, pan }, n) => {
    const asked = recipe.steps[n];
    const written = asked ? portionsIn<RecipePortion>(asked) : [];
    return portionsIn<Portion>(step).flatMap((portion, i): WeighLine[] => {
      if (portion.amount <= 0) return [];
      const food = foodIn(kitchen, portion.ingredient);
      const amount = written[i]?.amount;
      const poured = POURED.has(food.group) && typeof food.density === 'number' ? food.density : null;
      return [
        {
          id: `${n}.${i}`,
          step: n,
          pan,
          ingredient: food.id,
          name: food.name,
          g: portion.amount,
          ml: poured ? portion.amount / poured : null,
          // Shells and bones are weighed: no cup holds them.
          measure: food.strainedOff ? '' : asKitchenMeasure(portion.amount, food.density, 'spooned'),
          asPurchased: roundToScale(asBought(food, portion.amount)),
          prep: portion.prep,
          solved: amount?.kind === 'solve' ? amount.goal : amount?.kind === 'by rule' ? 'by rule' : null,
        },
      ];
    });
  });
}
