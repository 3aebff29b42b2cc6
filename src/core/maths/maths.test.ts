import fc from 'fast-check';
import { cumulativeStdNormalProbability, medianSorted } from 'simple-statistics';
import { bisect, bisectRatio } from './bisect';
import { linear } from './linear';
import { bracketOf, chanceWithin } from './logNormal';
import { median } from './median';
import { EIGHT_IN_TEN, normalBelow } from './normal';

test('the normal law agrees with its table (Abramowitz & Stegun, table 26.1)', () => {
  for (const [z, area] of [
    [-3, 0.0013499],
    [-1, 0.1586553],
    [0, 0.5],
    [0.5, 0.6914625],
    [1.2816, 0.9000085],
    [1.96, 0.9750021],
    [4, 0.9999683],
  ] as const)
    expect(Math.abs(normalBelow(z) - area)).toBeLessThan(2e-7);
  // A table of two decimals, interpolated: its own error is larger than ours.
  for (let z = -3; z <= 3; z += 0.25)
    expect(Math.abs(normalBelow(z) - cumulativeStdNormalProbability(z))).toBeLessThan(1e-4);
  expect(normalBelow(EIGHT_IN_TEN) - normalBelow(-EIGHT_IN_TEN)).toBeCloseTo(0.8, 4);
});

test('a log-normal bracket holds eight in ten, and a chance adds up over what lies side by side', () => {
  const [low, high] = bracketOf(150, 0.3);
  expect(low * high).toBeCloseTo(150 ** 2, 6);
  expect(Math.log(high / 150) / 0.3).toBeCloseTo(1.2816, 9);
  expect(chanceWithin(150, 0.3, low, high)).toBeCloseTo(0.8, 4);
  expect(chanceWithin(150, 0.3, 0, 150)).toBeCloseTo(0.5, 6);
  expect(chanceWithin(150, 0.3, 0, 120) + chanceWithin(150, 0.3, 120, Infinity)).toBeCloseTo(1, 9);
});

test('without spread a value is inside or it is not: its lower end counts, its upper does not', () => {
  expect(chanceWithin(90, 0, 90, 260)).toBe(1);
  expect(chanceWithin(260, 0, 90, 260)).toBe(0);
});

test('the median is the middle one, or the mean of the two in the middle', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { minLength: 1 }), (values) => {
      expect(median(values)).toBeCloseTo(medianSorted(values.toSorted((a, b) => a - b)), 6);
    }),
  );
  expect(median([9, 1, 4])).toBe(4);
  expect(median([4, 1, 9, 5])).toBe(4.5);
  expect(median([])).toBeNaN();
});

test('halving finds where a condition turns, and by ratios over decades', () => {
  expect(bisect((x) => x * x < 2, 0, 2)).toBeCloseTo(Math.SQRT2, 12);
  expect(bisectRatio((x) => x < 0.003, 1e-6, 1e6)).toBeCloseTo(0.003, 12);
  // An answer outside comes out at the end nearest to it.
  expect(bisect((x) => x < 9, 0, 2)).toBeCloseTo(2, 9);
  expect(bisect(() => true, 0, 8, 1)).toBe(6);
});

test('a few linear equations: solved with the largest pivot first; null where they say too little', () => {
  expect(
    linear(
      [
        [2, 1],
        [1, 3],
      ],
      [3, 4],
    ),
  ).toEqual([1, 1]);
  // The first pivot is nothing: rows change places.
  expect(
    linear(
      [
        [0, 2, 1],
        [1, 0, 0],
        [3, 1, -1],
      ],
      [7, 2, 4],
    ),
  ).toEqual([2, 5 / 3, 11 / 3].map((x) => expect.closeTo(x, 9)));
  expect(
    linear(
      [
        [1, 2],
        [2, 4],
      ],
      [1, 2],
    ),
  ).toBeNull();
});
