import { demoFile, demoHouse, demoRecipe } from '../../../../demo/demo';
import { catalogue, ingredient } from '../../food/catalogue';
import { breaksDiet, DIETS, type Diet } from '../../food/diets';
import { planFor } from '../../plan/plan';
import { portionsIn } from '../../pot/contents/portions';
import { Recipe } from '../../recipe/recipe';
import type { RecipePortion } from '../../recipe/recipeStep';
import { amended } from '../amended';
import { dieted, dietSwaps } from './dieted';

const { kitchen } = demoHouse();
const SOUPS = [
  'celeriac-and-pear-cream',
  'cockle-and-leek-chowder',
  'crab-shell-bisque',
  'jacket-potato-soup',
  'mussel-veloute-with-liaison',
  'smoked-parsnip-veloute',
] as const;
const ids = (steps: Recipe['steps'] | ReturnType<typeof dieted>): readonly string[] => [
  ...new Set(steps.flatMap((s) => portionsIn<RecipePortion>(s).map((p) => p.ingredient))),
];
const planned = (recipe: Recipe, diet: Diet[]) => {
  const order = { litres: recipe.yieldLitres, target: 153, diet };
  return planFor(amended(recipe, order), order, { ...recipe.home, kitchen });
};

test('no two ingredients share an id', () => {
  const all = catalogue().map((f) => f.id);
  expect(all.filter((id, n) => all.indexOf(id) !== n)).toEqual([]);
});

describe.each(SOUPS)('%s', (id) => {
  const recipe = demoRecipe(id);
  test.each(DIETS)('%s: nothing breaks it, or the plan stops and names what does', (diet) => {
    const { left } = dietSwaps(recipe, [diet]);
    const steps = dieted(recipe, [diet]);
    expect(ids(steps).filter((i) => breaksDiet(ingredient(i), diet))).toEqual(left);
    const warned = planned(recipe, [diet]).warnings.find((w) => w.kind === 'diet');
    if (left.length === 0) expect(warned).toBeUndefined();
    else expect(warned).toMatchObject({ severity: 'stop', diet });
  });
});

test('what stands in for what: oil for butter as much fat, rice flour for wheat and the dose follows, stock for wine', () => {
  const veloute = demoRecipe('smoked-parsnip-veloute');
  const free = planned(veloute, ['no gluten', 'no milk']);
  expect(free.weighOut.some((l) => l.solved === 'thickness' && l.ingredient === 'rice-flour')).toBe(true);
  expect(free.found.bowlViscosity / 153).toBeCloseTo(1, 1);
  const fat = (plan: typeof free, of: string) =>
    plan.weighOut
      .filter((l) => l.ingredient === of && l.solved === null)
      .reduce((sum, l) => sum + l.g * ingredient(of).composition.fat, 0);
  expect(fat(free, 'rapeseed-oil') / fat(planned(veloute, []), 'butter')).toBeCloseTo(1, 1);
  // Oats hold gluten: without it the cream is of coconut.
  expect(free.weighOut.map((l) => l.ingredient)).toContain('coconut-milk');
  expect(planned(veloute, ['no milk']).weighOut.map((l) => l.ingredient)).toContain('oat-cream');
  const bisque = dietSwaps(demoRecipe('crab-shell-bisque'), ['no alcohol']);
  expect(bisque.swaps.map((s) => s.to)).toEqual(bisque.swaps.map(() => 'vegetable-stock'));
  expect(bisque.swaps.length).toBeGreaterThan(0);
});

test('without egg a liaison that thickened is a slurry; bacon leaves its fat to oil; a chowder of cockles cannot be vegetarian', () => {
  const liaison = Recipe.parse(demoFile('mussel-veloute-with-liaison'));
  expect(dieted(liaison, ['no egg']).some((s) => s.kind === 'temper')).toBe(false);
  const jacket = demoRecipe('jacket-potato-soup');
  const { swaps } = dietSwaps(jacket, ['no pork']);
  expect(swaps).toContainEqual({ from: 'streaky-bacon', to: null });
  expect(planned(jacket, ['no pork']).warnings.some((w) => w.kind === 'diet')).toBe(false);
  expect(dietSwaps(demoRecipe('cockle-and-leek-chowder'), ['vegetarian']).left).toEqual(['cockle-meat']);
});

test('asked for nothing, nothing is changed', () => {
  const chowder = demoRecipe('cockle-and-leek-chowder');
  expect(dieted(chowder, [])).toBe(chowder.steps);
  expect(dietSwaps(chowder, ['no egg'])).toEqual({ swaps: [], left: [] });
});
