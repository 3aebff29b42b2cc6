import { demoRecipe } from '../demo/demo';
import { pearson } from '../src/core/dairy/pearson';
import { ingredient } from '../src/core/food/catalogue';
import { FINISHES, finishedWith, ownFinish, partsOf } from '../src/core/order/changes/finishes';

const fat = (id: string): number => ingredient(id).composition.fat * 100;
const solids = (id: string): number => (1 - ingredient(id).composition.water) * 100;

describe('Pearson’s square: standard dairy arithmetic, worked examples from memory', () => {
  test.each([
    // Parts of cream and of milk are the differences across the square.
    ['18 % from 40 % cream and 3 % milk: 15 parts and 22', 3, 40, 18, 15 / 37],
    ['10 % from 35 % cream and 3 % milk: 7 parts and 25', 3, 35, 10, 7 / 32],
    ['30 % from 36 % cream and skim milk of 0.1 %', 0.1, 36, 30, 29.9 / 35.9],
  ])('%s', (_what, lean, rich, wanted, share) => {
    expect(pearson(lean, rich, wanted)).toBeCloseTo(share, 6);
  });
  test('leaner or richer than either is all of the one or the other', () => {
    expect(pearson(3, 36, 2)).toBe(0);
    expect(pearson(3, 36, 40)).toBe(1);
    expect(pearson(12, 12, 20)).toBe(1);
    expect(() => pearson(3, 120, 40)).toThrow(RangeError);
  });
  test('milk and cream for half-and-half come to its fat, whatever the litres', () => {
    const milkAndCream = FINISHES.find((f) => f.id === 'milk-and-cream');
    if (!milkAndCream) throw new Error('there is such a blend');
    const own = { g: 1000, ml: 980, fatG: 117, of: [] };
    const parts = partsOf(milkAndCream, own);
    expect(parts.reduce((sum, [id, share]) => sum + share * fat(id), 0)).toBeCloseTo(11.7, 6);
  });
});

describe('fat of milk and cream as 21 CFR 131 has it (US; from memory)', () => {
  test.each([
    ['skim-milk', 0, 0.5, '131.110, nonfat'],
    ['whole-milk', 3.25, 4.5, '131.110'],
    ['half-and-half', 10.5, 18, '131.180'],
    ['single-cream', 18, 30, '131.155, light cream'],
    ['whipping-cream', 30, 36, '131.157, light whipping cream'],
    ['heavy-cream', 36, 45, '131.150, heavy cream'],
    ['sour-cream', 18, 30, '131.160'],
    ['evaporated-milk', 6.5, 9, '131.130'],
    ['cream-cheese', 33, 40, '133.133'],
  ] as const)('%s holds %d to %d %% (%s)', (id, from, to, _where) => {
    expect(fat(id)).toBeGreaterThanOrEqual(from);
    expect(fat(id)).toBeLessThanOrEqual(to);
  });
  test('evaporated milk holds 23 % of solids and more (131.130)', () => {
    expect(solids('evaporated-milk')).toBeGreaterThanOrEqual(23);
    expect(solids('evaporated-milk')).toBeLessThan(28);
  });
});

describe('pH and buffering of milk and cream against published values, from memory', () => {
  test.each([
    ['whole-milk', 6.6, 6.8],
    ['heavy-cream', 6.4, 6.8],
    ['evaporated-milk', 5.9, 6.4],
    ['sour-cream', 4.3, 4.7],
    ['creme-fraiche', 4.3, 4.8],
  ])('%s stands at pH %d to %d', (id, from, to) => {
    expect(ingredient(id).pH).toBeGreaterThanOrEqual(from);
    expect(ingredient(id).pH).toBeLessThanOrEqual(to);
  });
  test('milk takes 20 to 35 mmol of acid a kilogram for a unit of pH between 6.7 and 5', () => {
    expect(ingredient('whole-milk').buffering).toBeGreaterThan(20);
    expect(ingredient('whole-milk').buffering).toBeLessThan(35);
  });
});

test('common practice, no source: soured cream by ladles, cheese off the heat, evaporated milk as it comes', () => {
  const chowder = demoRecipe('cockle-and-leek-chowder');
  expect(ownFinish(chowder).ml).toBeGreaterThan(800);
  const kindOf = (id: string) => {
    const finish = FINISHES.find((f) => f.id === id);
    if (!finish) throw new Error('there is such a finish');
    const step = finishedWith(chowder, finish, { rich: 6 }).find(
      (s) => 'items' in s && s.items.some((i) => i.ingredient === id),
    );
    return step && { kind: step.kind, offHeat: 'offHeat' in step && step.offHeat === true };
  };
  expect(kindOf('sour-cream')).toEqual({ kind: 'temper', offHeat: false });
  expect(kindOf('mature-cheddar')).toEqual({ kind: 'add', offHeat: true });
  expect(kindOf('evaporated-milk')).toEqual({ kind: 'add', offHeat: false });
});
