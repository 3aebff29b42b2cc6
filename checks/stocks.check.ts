import { demoHouse } from '../demo/demo';
import { coversTimes, MAKINGS, makingOf, stockRecipe } from '../src/core/order/changes/makings';
import { planFor } from '../src/core/plan/plan';
import { Recipe } from '../src/core/recipe/recipe';

/**
 * Stocks as they are made: weights to a litre, water to weights, minutes, and how high the water stands. Textbook
 * figures are from memory; the rest is common practice, no source.
 */
const { kitchen, vessels, burners } = demoHouse();
const made = (id: string, litres: number, pot: string) => {
  const vessel = vessels.find((v) => v.id === pot)!;
  const burner = burners.find((b) => b.id === 'floor-ring')!;
  const m = makingOf(id)!;
  const plan = planFor(
    Recipe.parse(stockRecipe(m, 'now', { vessel, burner })),
    { litres, target: 12 },
    {
      vessel,
      burner,
      kitchen,
    },
  );
  const water = plan.weighOut.find((l) => l.ingredient === 'water')?.g ?? 0;
  return { m, plan, water };
};

/** Professional-cookery textbooks, from memory: 8 lb of bones and 6 US quarts of water for a US gallon of stock. */
test('a gallon of chicken stock takes 8 lb of bones, and water as textbooks have it within a fifth', () => {
  const { m, water } = made('chicken-stock', 24, 'deep-42');
  const [, bones] = m.of[0]!;
  expect(bones / ((8 * 453.592) / 3.78541)).toBeCloseTo(1, 2);
  const ratio = water / 24_000;
  expect(ratio / (6 / 4)).toBeGreaterThan(0.8);
  expect(ratio / (6 / 4)).toBeLessThan(1.2);
});

/**
 * Shells 15 to 45 min, fish bones no more than half an hour, cobs and vegetables under an hour, bones for hours.
 * Common practice, no source.
 */
test('minutes at the simmer are the trade’s', () => {
  const minutes = Object.fromEntries(MAKINGS.map((m) => [m.id, [m.minutes, ...m.between]]));
  expect(minutes['shell-stock']).toEqual([30, 15, 45]);
  expect(minutes['fish-stock']?.[2]).toBeLessThanOrEqual(30);
  expect(minutes['cob-stock']?.[2]).toBeLessThanOrEqual(60);
  expect(minutes['chicken-stock']?.[1]).toBeGreaterThanOrEqual(180);
  for (const m of MAKINGS) {
    expect(m.minutes).toBeGreaterThanOrEqual(m.between[0]);
    expect(m.minutes).toBeLessThanOrEqual(m.between[1]);
  }
});

/**
 * About a pound of shells or fish bones to a quart, four bare cobs to a litre, an ounce of dried mushrooms to a
 * quart. Common practice, no source.
 */
test('weights to a litre are the trade’s within a fifth', () => {
  const perLitre = (id: string) => makingOf(id)?.of[0]?.[1] ?? 0;
  const pound = 453.592 / 0.946353;
  const near = (a: number, b: number) => expect(Math.abs(Math.log(a / b))).toBeLessThan(Math.log(1.2));
  near(perLitre('shell-stock'), pound);
  near(perLitre('fish-stock'), pound);
  near(perLitre('cob-stock'), 4 * 100);
  near(perLitre('mushroom-stock'), 28.35 / 0.946353);
});

/** Shells and bones are covered, and no more than twice over. Common practice, no source. */
test.each(['shell-stock', 'fish-stock', 'vegetable-stock', 'cob-stock'])(
  '%s: covered, at most twice over',
  (id) => {
    const { m, plan, water } = made(id, 8, 'tall-steel-36');
    const covers = coversTimes(m, 8, water);
    expect(covers).toBeGreaterThan(1);
    expect(covers).toBeLessThan(2);
    expect(plan.peakMl).toBeLessThan(plan.rimMl);
  },
);
