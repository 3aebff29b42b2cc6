import type { Product } from '../../food/product';
import { Step } from '../step';
import { allergensOf, asBought, costOf, putInBy, wholeCost } from './goesIn';

const products: Record<string, Product> = {
  leek: { ingredient: 'leek', edibleYield: 0.5, pricePerKg: 4 },
  butter: { ingredient: 'butter', pricePerKg: 10 },
};
const kitchen = { products };
const steps = [
  {
    kind: 'add',
    items: [
      { ingredient: 'leek', amount: 500 },
      { ingredient: 'butter', amount: 100 },
    ],
  },
  { kind: 'add', items: [{ ingredient: 'water', amount: 1000 }] },
  {
    kind: 'add',
    items: [
      { ingredient: 'whole-milk', amount: 0 },
      { ingredient: 'heavy-cream', amount: 50 },
    ],
  },
].map((s) => Step.parse(s));

test('what is trimmed is paid for: half of a leek costs two of it', () => {
  expect(asBought({ edibleYield: 0.5 }, 500)).toBe(1000);
  // 1 kg of leek at 4 and 100 g of butter at 10.
  expect(wholeCost(putInBy(steps.slice(0, 2)), kitchen)).toBeCloseTo(5, 9);
});

test('water is not bought, what has no price is counted once, and no whole sum is said without it', () => {
  const twice = [...putInBy(steps), ...putInBy(steps)];
  expect(costOf(twice, kitchen)).toEqual({ known: expect.closeTo(10, 9), unpriced: 1 });
  expect(wholeCost(twice, kitchen)).toBeNull();
  expect(wholeCost([{ ingredient: 'water', amount: 5 }], {})).toBe(0);
});

test('nothing of weight zero goes in: neither its price nor its allergens', () => {
  expect(putInBy(steps).map((p) => p.ingredient)).toEqual(['leek', 'butter', 'water', 'heavy-cream']);
  expect(allergensOf(steps, kitchen)).toEqual(['milk']);
  expect(allergensOf(steps.slice(1, 2), kitchen)).toEqual([]);
  expect(costOf([{ ingredient: 'floury-potato', amount: 0 }], kitchen).unpriced).toBe(0);
});
