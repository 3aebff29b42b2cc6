import '../../core/food/load';
import { middleOf } from '../../core/flow/bands';
import { holding, rimVolume } from '../../core/heat/vessel';
import type { House } from '../../core/kitchen/house';
import { kitchenFileOf } from '../../core/kitchen/kitchenFile';
import { amended } from '../../core/order/amended';
import { planFor } from '../../core/plan/plan';
import type { Plan } from '../../core/plan/types';
import { Recipe, type RecipeText } from '../../core/recipe/recipe';

export { kitchenFileOf };

/** What a soup takes in a kitchen, at the litres it is written for: in the smallest pot that holds it, on the strongest burner. */
export function doseIn(house: House, text: RecipeText): Plan | null {
  const recipe = Recipe.parse(text);
  const { kitchen } = house;
  const litres = recipe.yieldLitres;
  const [fits] = holding(house.vessels, litres * 1250);
  const vessel = fits ?? house.vessels.toSorted((a, b) => rimVolume(b) - rimVolume(a))[0];
  const burner = house.burners.toSorted((a, b) => b.powerW - a.powerW)[0];
  if (!vessel || !burner) return null;
  const aim = { litres, target: Math.round(middleOf(recipe.band, kitchen.bandLimits)) };
  return planFor(amended(recipe, {}), aim, { vessel, burner, kitchen });
}
