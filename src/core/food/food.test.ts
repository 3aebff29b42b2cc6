import { catalogue, ingredient } from './catalogue';
import { fractions, NOTHING, plus, times, totalOf } from './composition';
import { food } from './define';
import { heatHeldBy, mixtureConductivity, volumeOf } from './thermal';

test.each(catalogue().map((i) => [i.id, i] as const))('%s is complete', (_id, i) => {
  expect(totalOf(i.composition)).toBeCloseTo(1, 9);
  expect(Object.values(i.composition).every((x) => x >= 0)).toBe(true);
  expect(i.pH).toBeGreaterThan(1.5);
  expect(i.pH).toBeLessThan(9);
  expect(i.edibleYield).toBeGreaterThan(0);
  expect(i.edibleYield).toBeLessThanOrEqual(1);
  // Sodium cannot weigh more than the ash it is part of.
  expect(i.sodium / 1e5).toBeLessThanOrEqual(i.composition.ash + 0.002);
  expect(i.source.name).not.toBe('');
});

test('ids are unique and an unknown one is named in the error', () => {
  expect(new Set(catalogue().map((i) => i.id)).size).toBe(catalogue().length);
  expect(catalogue().length).toBeGreaterThanOrEqual(30);
  expect(() => ingredient('unobtainium')).toThrow(/unobtainium/);
});

test('a typing error in a composition is caught', () => {
  expect(() => food({ id: 'x', name: 'X', group: 'liquid', percent: { water: 9 } })).toThrow(/add to 9.0 %/);
});

test('butter, milk and wheat carry their allergens', () => {
  expect(ingredient('butter').allergens).toContain('milk');
  expect(ingredient('plain-flour').allergens).toEqual(expect.arrayContaining(['wheat', 'gluten']));
  expect(ingredient('cockle-meat').allergens).toContain('molluscs');
});

test('amounts of components add, scale and come back as fractions', () => {
  const a = { ...NOTHING, water: 90, fat: 10 };
  expect(totalOf(plus(a, a, -1))).toBe(0);
  expect(fractions(times(a, 7)).fat).toBeCloseTo(0.1, 12);
  expect(fractions(NOTHING).water).toBe(1);
});

test('heat and volume of mixtures lie between those of their parts', () => {
  const half = { ...NOTHING, water: 500, fat: 500 };
  const water = { ...NOTHING, water: 1000 };
  const fat = { ...NOTHING, fat: 1000 };
  expect(heatHeldBy(half, 60)).toBeCloseTo((heatHeldBy(water, 60) + heatHeldBy(fat, 60)) / 2, 6);
  expect(volumeOf(half, 60)).toBeGreaterThan(volumeOf(water, 60));
  expect(volumeOf(half, 60)).toBeLessThan(volumeOf(fat, 60));
  expect(mixtureConductivity(half, 60)).toBeLessThan(mixtureConductivity(water, 60));
});
