import { cautionsFor, jugFills } from './cautions';

const ids = (deed: Parameters<typeof cautionsFor>[0]) => cautionsFor(deed).map((c) => c.id);

test('cautions stand where they apply and nowhere else', () => {
  expect(ids({ kind: 'add', ingredients: ['water'], celsius: 20 })).toEqual([]);
  expect(ids({ kind: 'puree', ingredients: [], celsius: 90, blendedMl: 4000, jug: true })).toEqual([
    'hot blending',
  ]);
  expect(ids({ kind: 'puree', ingredients: [], celsius: 30, blendedMl: 4000, jug: true })).toEqual([]);
  expect(ids({ kind: 'temper', ingredients: ['egg-yolk', 'heavy-cream'], celsius: 80 })).toEqual([
    'yolk',
    'allergens',
  ]);
  expect(ids({ kind: 'temper', ingredients: ['egg-yolk-pasteurised'], celsius: 80 })).toEqual(['allergens']);
  expect(ids({ kind: 'poach', ingredients: ['cod'], celsius: 80 })).toEqual(['seafood', 'allergens']);
  expect(ids({ kind: 'sweat', ingredients: ['foraged-mushroom'], celsius: 20 })).toEqual(['foraged']);
  expect(ids({ kind: 'render', ingredients: ['streaky-bacon'], celsius: 20, fatPouredOff: 60 })).toEqual([
    'hot fat',
  ]);
  for (const [kind, id] of [
    ['hold', 'hot hold'],
    ['chill', 'cooling'],
    ['reheat', 'reheating'],
  ] as const) {
    expect(ids({ kind, ingredients: [], celsius: 60 })).toEqual([id]);
  }
});

test('every caution names its rule', () => {
  for (const c of cautionsFor({
    kind: 'chill',
    ingredients: ['cod', 'egg-yolk', 'foraged-mushroom'],
    celsius: 70,
    blendedMl: 500,
  })) {
    expect(c.rule).toMatch(/Food Code 2022.*local code decides|common practice|allergens/);
  }
});

test('a two-litre jug takes a third at a time', () => {
  expect(jugFills(600)).toBe(1);
  expect(jugFills(4000)).toBe(6);
});
