import { demoHouse, demoRecipe } from '../../../demo/demo';
import { ingredient } from '../food/catalogue';
import { amended } from '../order/amended';
import { gently } from '../order/changes/gently';
import { portionsIn } from '../pot/contents/portions';
import { Recipe } from '../recipe/recipe';
import type { RecipePortion } from '../recipe/recipeStep';
import { planOrder, remediesFor } from './remedies';

const house = demoHouse();
const { home, format } = demoRecipe('smoked-parsnip-veloute');
const pour = (ingredient: string, amount: string, celsius?: number) => ({
  kind: 'add',
  items: [{ ingredient, amount, ...(celsius !== undefined && { celsius }) }],
});
const soup = (steps: readonly unknown[]) =>
  Recipe.parse({ format, id: 'x', name: 'X', school: 'roux', yieldLitres: 6, band: 'Coating', home, steps });
const roux = {
  kind: 'roux',
  flour: { ingredient: 'plain-flour', amount: 'to thicken' },
  fat: { ingredient: 'butter', amount: 'to match' },
  rule: 'weight',
  colour: 'white',
  minutes: 3,
};
/** Milk boiled for minutes in an acid pot. */
const boiled = soup([
  roux,
  pour('vegetable-stock', 'to volume', 60),
  pour('tomato-passata', '600 g'),
  pour('semi-skimmed-milk', '500 g', 5),
  { kind: 'bring-to', to: 'boil', flame: 1, lid: 'off' },
  { kind: 'simmer', minutes: 12, lid: 'ajar' },
  { kind: 'season', items: [{ ingredient: 'salt', amount: 'to taste' }] },
]);
const order = { recipeId: 'any', litres: 6, target: 100, vesselId: 'tall-steel-36', burnerId: 'front-left' };
const question = { house, recipe: boiled, order };
const planned = (more = {}) => {
  const plan = planOrder({ ...question, order: { ...order, ...more } });
  if (!plan) throw new Error('there are a pot and a burner');
  return plan;
};
const items = (r: Recipe) => r.steps.flatMap((s) => portionsIn<RecipePortion>(s));

test('milk boiled in an acid pot is mended by a tap, each way tried by planning it', () => {
  const plan = planned();
  const warning = plan.warnings.find((w) => w.id === 'dairy');
  if (!warning) throw new Error('it is warned of');
  expect(warning.severity).toBe('danger');
  const ways = remediesFor(warning, plan, question);
  expect(ways.map((w) => w.change.dairy)).toContain('last');
  for (const { change } of ways) {
    const left = planned(change).warnings.find((w) => w.id === 'dairy');
    expect(left === undefined || left.severity === 'caution').toBe(true);
  }
});

test('last of all it goes in warmed, under the simmer, before the seasoning, and nothing is lost', () => {
  const late = amended(boiled, { dairy: 'last' });
  expect(late.steps.map((s) => s.kind)).toEqual([
    'roux',
    'add',
    'add',
    'bring-to',
    'simmer',
    'bring-to',
    'add',
    'bring-to',
    'season',
  ]);
  expect(late.steps[6]).toMatchObject({ items: [{ ingredient: 'semi-skimmed-milk', celsius: 60 }] });
  const ids = (r: Recipe) =>
    items(r)
      .map((i) => i.ingredient)
      .sort();
  expect(ids(late)).toEqual(ids(boiled));
  const { steps } = planned({ dairy: 'last' });
  expect(steps[5]?.celsius).toBeCloseTo(85, 0);
  expect(Math.max(...steps.slice(6).map((s) => s.celsius))).toBeLessThan(83);
});

test('warmed and richer change the dairy alone, and what makes up the litres stays what it is', () => {
  const warm = items(amended(boiled, { dairy: 'warm' }));
  expect(warm.find((i) => i.ingredient === 'semi-skimmed-milk')?.celsius).toBe(60);
  expect(warm.find((i) => i.ingredient === 'tomato-passata')?.celsius).toBeUndefined();
  const rich = items(amended(boiled, { dairy: 'richer' }));
  expect(rich.map((i) => i.ingredient)).toContain('whipping-cream');
  expect(rich.map((i) => i.ingredient)).not.toContain('semi-skimmed-milk');
  expect(ingredient('whipping-cream').composition.fat).toBeGreaterThanOrEqual(0.3);
  const onMilk = soup([roux, pour('whole-milk', 'to volume'), { kind: 'simmer', minutes: 10, lid: 'off' }]);
  for (const how of ['last', 'richer'] as const) expect(gently(onMilk, how)).toEqual(onMilk.steps);
});
