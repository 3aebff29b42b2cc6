import { THICKENERS } from '../src/core/thickeners/thickeners';
import { cook, dice, pour, simmer, TO_SIMMER, taste } from './pots';

/** Culinary-school substitution table: weight of flour × factor gives the weight of starch. From memory. */
test.each([
  ['rice flour', 0.6],
  ['arrowroot', 0.5],
  ['maize', 0.5],
  ['tapioca', 0.4],
  ['potato starch', 0.2],
] as const)('%s for flour: × %d', (kind, factor) => {
  expect((100 * THICKENERS.wheat.strength) / THICKENERS[kind].strength).toBeCloseTo(100 * factor, 9);
});

/** Classical repertoire: about 75 g of rice a litre for a bisque. From memory; that it should coat is common practice. */
test('75 g of rice a litre, blended, coats a spoon', () => {
  const pot = cook([
    pour('shell-stock', 3000),
    TO_SIMMER,
    dice('white-rice', 225, 2),
    simmer(15, 'on', true),
    { kind: 'puree', fraction: 1, tool: 'jug blender' },
  ]);
  expect(['Coating', 'Hearty']).toContain(taste(pot).band);
});

/**
 * Classical repertoire: a liaison of 3 yolks (54 g) and 240 mL of cream finishes about 700 mL. From
 * memory. It enriches a soup that is thickened already: one band at most.
 */
test('the classical liaison makes a light velouté clearly thicker, by no more than a band', () => {
  const veloute = [
    {
      kind: 'roux',
      flour: { ingredient: 'plain-flour', amount: 28 },
      fat: { ingredient: 'butter', amount: 28 },
      rule: 'weight',
      colour: 'white',
      minutes: 2,
    },
    pour('chicken-stock', 720),
    TO_SIMMER,
    simmer(10),
    { kind: 'rest', minutes: 8, lid: 'off' },
  ];
  const before = taste(cook(veloute));
  const items = [
    { ingredient: 'egg-yolk', amount: 54 },
    { ingredient: 'heavy-cream', amount: 235, celsius: 20 },
  ];
  const after = taste(cook([...veloute, { kind: 'temper', items, warmTo: 62, to: 82, flame: 0.2 }]));
  expect(before.band).toBe('Light');
  expect(after.bowlViscosity / before.bowlViscosity).toBeGreaterThan(1.15);
  expect(['Light', 'Coating']).toContain(after.band);
});
