import { bandOf } from '../src/core/flow/bands';
import { cook, pour, roux, simmer, TO_SIMMER, taste } from './pots';

const GALLON = 3785.4;
const CUP = 236.588;
const STOCK = 1.004;
const MILK = 1.023;

/**
 * Professional-cookery textbook table: equal-weight roux for one US gallon of liquid, thin 12 oz,
 * medium 16 oz, thick 20 to 24 oz. From memory.
 */
test.each([
  [12, 'Light', 45],
  [16, 'Coating', 60],
  [20, 'Hearty', 75],
  [24, 'Hearty', 90],
] as const)('%d oz of equal-weight roux a gallon is %s', (ounces, band, perLitre) => {
  const flour = (ounces * 28.35) / 2;
  const pot = cook([roux(flour, flour), pour('chicken-stock', GALLON * STOCK), TO_SIMMER, simmer(2)]);
  expect(taste(pot).band).toBe(band);
  expect(Math.abs(taste(pot).equivalents / perLitre - 1)).toBeLessThan(0.05);
});

/**
 * Home-economics white-sauce table: 1, 2, 3, 4 tbsp of flour and of butter to a cup of milk are thin
 * (for cream soups), medium, thick, very thick; about 33, 66, 99, 132 g of flour a litre. From memory.
 */
describe('white sauce', () => {
  const sauce = (spoons: number) =>
    taste(
      cook([
        roux(spoons * 7.85 * 4, spoons * 14.2 * 4),
        pour('whole-milk', 4 * CUP * MILK),
        TO_SIMMER,
        simmer(1),
      ]),
    );

  test.each([
    [1, 33],
    [2, 66],
    [3, 99],
    [4, 132],
  ])('%d tbsp a cup is about %d g/L', (spoons, perLitre) => {
    expect(Math.abs(sauce(spoons).equivalents / perLitre - 1)).toBeLessThan(0.06);
  });

  test('thin, medium, thick and very thick climb the ladder without a step back', () => {
    const bands = [1, 2, 3, 4].map((s) => bandOf(sauce(s).bowlViscosity));
    expect(bands).toEqual(['Light', 'Hearty', 'Stiff', 'Stiff']);
  });
});

/** 1 tbsp flour with 1 tbsp butter lightly thickens one cup of stock. Common practice, no source. */
test('a spoon of each to a cup lands in Light', () => {
  const pot = cook([roux(7.5 * 4, 14.2 * 4), pour('chicken-stock', 4 * CUP * STOCK), TO_SIMMER, simmer(2)]);
  expect(taste(pot).band).toBe('Light');
});
