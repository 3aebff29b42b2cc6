import { TENDER_AFTER } from '../heat/softening';
import { fatPerFlour } from './equalParts';
import { cookThickener, type Thickener, yolkLimit } from './granules';
import { leachedShare } from './puree';
import { rouxBalance } from './rouxBalance';
import { EXCHANGEABLE, substitute } from './substitute';

const starch = (kind: Thickener['kind']): Thickener => ({
  kind,
  from: 'x',
  dry: 10,
  equivalents: 10,
  swollen: 0,
  strength: 1,
  cookedMinutes: 0,
});

test('potato starch swells below the simmer, flour does not', () => {
  expect(cookThickener(starch('potato starch'), 120, 76).swollen).toBeGreaterThan(0.99);
  expect(cookThickener(starch('wheat'), 120, 76).swollen).toBeLessThan(0.6);
});

test('twenty minutes’ boiling halves potato starch and hardly touches flour; acid hastens it', () => {
  const after = (kind: Thickener['kind'], pH?: number) => cookThickener(starch(kind), 1200, 96, pH).strength;
  expect(after('potato starch')).toBeCloseTo(0.5, 2);
  expect(after('wheat')).toBeCloseTo(0.95, 2);
  expect(after('wheat', 3.5)).toBeLessThan(after('wheat', 6));
});

test('a granule once swollen does not shrink', () => {
  const hot = cookThickener(starch('wheat'), 300, 95);
  expect(cookThickener(hot, 600, 40).swollen).toBe(hot.swollen);
});

test('any thickener for any other, and back, is the same weight', () => {
  for (const a of EXCHANGEABLE) {
    for (const b of EXCHANGEABLE) {
      expect(substitute(substitute(100, a, b).grams, b, a).grams).toBeCloseTo(100, 9);
    }
  }
  expect(substitute(100, 'wheat', 'maize', 'brown').grams).toBeCloseTo(32.5, 9);
  expect(() => substitute(-1, 'wheat', 'maize')).toThrow(/grams is -1/);
});

test('fat already in the pot counts for the roux', () => {
  expect(rouxBalance(100, 30)).toEqual({ perGram: 0.3, short: 35, over: 0 });
  expect(rouxBalance(100, 150)).toEqual({ perGram: 1.5, short: 0, over: 30 });
  expect(fatPerFlour('weight', 0.5, 0.96)).toBe(1);
});

test('starch keeps yolk from scrambling; small dice leach more', () => {
  expect(yolkLimit(40)).toBeGreaterThan(yolkLimit(5));
  const cube = (edgeMm: number) => leachedShare('waxy potato', { shape: 'cube', edgeMm }, 6.3);
  expect(cube(6) / cube(12)).toBeCloseTo(2, 9);
  expect(cube(12.7)).toBeCloseTo(0.06, 9);
});

test.each([
  ['floury potato', 4],
  ['waxy potato', 1.8],
] as const)(
  '%s cooked three times as long as to tender has leached %f times as much, and then no more',
  (kind, times) => {
    const after = (tender: number) =>
      leachedShare(kind, { shape: 'cube', edgeMm: 12.7 }, TENDER_AFTER[kind] * tender);
    expect(after(0.5) / after(1)).toBeCloseTo(0.5, 9);
    expect(after(2) / after(1)).toBeCloseTo((1 + times) / 2, 9);
    expect(after(3) / after(1)).toBeCloseTo(times, 9);
    expect(after(9)).toBe(after(3));
  },
);
