import { saltBalance } from './salt';

test('adding what it says lands on the target, its own weight counted', () => {
  const { toAdd, percent } = saltBalance(10_000, 15, 0.9);
  expect(percent).toBeCloseTo(0.381, 3);
  expect(((15 * 2.54 + toAdd) / (10_000 + toAdd)) * 100).toBeCloseTo(0.9, 9);
});

test('too salty asks for unsalted liquid, never for less than no salt', () => {
  const over = saltBalance(10_000, 60, 0.9);
  expect(over.toAdd).toBe(0);
  expect(((60 * 2.54) / (10_000 + over.unsaltedLiquid)) * 100).toBeCloseTo(0.9, 9);
});

test('out of range is refused by name', () => {
  expect(() => saltBalance(0, 0, 0.9)).toThrow(/mass is 0/);
  expect(() => saltBalance(100, 1, 9)).toThrow(/target is 9; it must be from 0.1 to 3 %/);
});
