import { demoFile, demoRecipe } from '../../../demo/demo';
import { normals, seeded } from '../maths/random';
import { planFor } from '../plan/plan';
import { STANDARD_KITCHEN as kitchen } from '../pot/kitchen';
import { Recipe } from '../recipe/recipe';
import { merge, sample, summarise } from './monteCarlo';
import { doubtOf } from './uncertainty';

const recipe = demoRecipe('cockle-and-leek-chowder');
const setup = { ...recipe.home, kitchen };
const { solved } = planFor(recipe, { litres: 4, target: 153 }, setup);

test('the same seed gives the same numbers, uniform and normal', () => {
  const [a, b] = [seeded(7), seeded(7)];
  expect(Array.from({ length: 5 }, a)).toEqual(Array.from({ length: 5 }, b));
  const normal = normals(seeded(1));
  const drawn = Array.from({ length: 20_000 }, normal);
  const mean = drawn.reduce((s, x) => s + x, 0) / drawn.length;
  expect(Math.abs(mean)).toBeLessThan(0.02);
  expect(drawn.reduce((s, x) => s + (x - mean) ** 2, 0) / drawn.length).toBeCloseTo(1, 1);
});

test('sampling agrees with first-order propagation where both hold', () => {
  const spread = summarise(sample(recipe, solved.dosing, setup, 11, 600));
  const doubt = doubtOf(recipe, solved.dosing, setup);
  const sigma = Math.log(spread.interval[1] / spread.interval[0]) / (2 * 1.2816);
  expect(Math.abs(sigma / doubt.spread - 1)).toBeLessThan(0.12);
  expect(Math.abs(Math.log(spread.median / 153))).toBeLessThan(0.08);
  // What the flour is worth, and what this soup is beyond it, weigh nearly alike.
  expect(
    spread.contributions
      .slice(0, 2)
      .map((c) => c.factor)
      .toSorted(),
  ).toEqual(['flour', 'soup']);
  expect(Object.values(spread.chance).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
});

test('what a recipe counts or gives as a range widens the bracket, sampled and by first order alike', () => {
  const counted = (potato: string) => {
    const file = demoFile('jacket-potato-soup');
    for (const step of file.steps)
      for (const item of step.items ?? []) if (item.ingredient === 'jacket-potato') item.amount = potato;
    return Recipe.parse(file);
  };
  const [weighed, range] = [counted('1000 g'), counted('500–1500 g')];
  const dosing = planFor(weighed, { litres: 4, target: 300 }, setup).solved.dosing;
  const [sure, unsure] = [weighed, range].map((r) => doubtOf(r, dosing, setup));
  expect(sure?.contributions.map((c) => c.factor)).not.toContain('hand');
  expect(unsure?.spread).toBeGreaterThan(1.05 * (sure?.spread ?? 0));
  const hand = unsure?.contributions.find((c) => c.factor === 'hand');
  expect(hand?.words).toBe('what is counted, or given as a range');
  // Its share and the rest's are all of the variance.
  expect((unsure?.spread ?? 0) ** 2 * (1 - (hand?.share ?? 0))).toBeCloseTo((sure?.spread ?? 0) ** 2, 3);
  const sampled = summarise(sample(range, dosing, setup, 5, 300));
  const sigma = Math.log(sampled.interval[1] / sampled.interval[0]) / (2 * 1.2816);
  expect(Math.abs(sigma / (unsure?.spread ?? 1) - 1)).toBeLessThan(0.2);
  expect(sampled.contributions.find((c) => c.factor === 'hand')?.share).toBeGreaterThan(0.02);
});

test('two halves merge to the whole, in sums that do not grow', () => {
  const a = sample(recipe, solved.dosing, setup, 1, 40);
  const b = sample(recipe, solved.dosing, setup, 2, 60);
  const both = merge(a, b);
  expect(both.samples).toBe(100);
  expect(both.bins.length).toBe(a.bins.length);
  expect(both.sum).toBeCloseTo(a.sum + b.sum, 9);
  expect(both.bins.reduce((s, n) => s + n, 0)).toBe(100);
});

test('no samples is refused', () => {
  expect(() => sample(recipe, solved.dosing, setup, 1, 0)).toThrow(/samples is 0/);
});
