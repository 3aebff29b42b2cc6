import { TENDER_AFTER } from '../heat/softening';
import { fatPerFlour } from './equalParts';
import { cookThickener, ROUX_STRENGTH, type Thickener, yolkLimit } from './granules';
import { proteinFactor } from './mixture';
import { CUTS, FREE_STRENGTH, leftPiece, OPENS, pureeStrength } from './puree';
import { rouxBalance } from './rouxBalance';

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

test('fat already in the pot counts for the roux', () => {
  expect(rouxBalance(100, 30)).toEqual({ perGram: 0.3, short: 35, over: 0 });
  expect(rouxBalance(100, 150)).toEqual({ perGram: 1.5, short: 0, over: 30 });
  expect(fatPerFlour('weight', 0.5, 0.96)).toBe(1);
});

test('starch keeps yolk from scrambling', () => {
  expect(yolkLimit(40)).toBeGreaterThan(yolkLimit(5));
});

test('by the time it is tender a potato’s cut faces have given starch, more from small dice; no cell has come off (docs/model.md)', () => {
  const cube = (edgeMm: number) =>
    leftPiece('waxy potato', { shape: 'cube', edgeMm }, TENDER_AFTER['waxy potato']);
  expect(cube(6).free / cube(12).free).toBeCloseTo(2, 9);
  expect(cube(12.7)).toEqual({ free: 0.04, cells: 0 });
  // Boiled pieces lose 2 to 6 % of their dry matter: Burton, Lisinska & Leszczynski, from memory.
  const lost = cube(12.7).free * (15 / 20);
  expect(lost).toBeGreaterThan(0.02);
  expect(lost).toBeLessThan(0.06);
});

test.each([
  ['floury potato', 0.25],
  ['waxy potato', 0.06],
] as const)(
  '%s cooked three times as long as to tender has lost %f of its cells, half of that at twice, and then no more',
  (kind, cells) => {
    const after = (tender: number) =>
      leftPiece(kind, { shape: 'cube', edgeMm: 12.7 }, TENDER_AFTER[kind] * tender);
    expect(after(0.5).free / after(1).free).toBeCloseTo(0.5, 9);
    expect(after(2).cells).toBeCloseTo(cells / 2, 9);
    expect(after(3).cells).toBeCloseTo(cells, 9);
    expect(after(9)).toEqual(after(3));
    expect(after(9).free).toBe(after(1).free);
  },
);

test('equal parts by weight, by volume and three to two', () => {
  expect(fatPerFlour('weight', 0.5, 0.96)).toBe(1);
  expect(fatPerFlour('three-to-two', 0.5, 0.96)).toBeCloseTo(2 / 3, 9);
  expect(fatPerFlour('volume', 0.5, 0.96)).toBeCloseTo(0.96 / 0.5, 9);
});

test('flour wants 0.65 of its weight in fat and binds 1.2 (common practice, no source)', () => {
  expect(rouxBalance(100, 65)).toMatchObject({ short: 0, over: 0 });
  expect(rouxBalance(100, 64).short).toBeCloseTo(1, 9);
  expect(rouxBalance(100, 120).over).toBe(0);
  expect(rouxBalance(100, 121).over).toBeCloseTo(1, 9);
});

test('a roux loses a tenth, 35 and 60 % of its thickening on the way to blond, brown and dark (docs/model.md)', () => {
  expect(ROUX_STRENGTH).toEqual({ white: 1, blond: 0.9, brown: 0.65, dark: 0.4 });
});

test('tools: a blender opens and cuts all, a masher crushes 0.6, a fork 0.45, and neither cuts (docs/model.md)', () => {
  expect(OPENS).toEqual({ 'stick blender': 1, 'jug blender': 1, masher: 0.6, fork: 0.45 });
  expect(CUTS).toEqual({ 'stick blender': 1, 'jug blender': 1, masher: 0, fork: 0 });
});

test('free starch counts double; of the smallest dice a fifth is free at the most, and two fifths of the cells stay', () => {
  expect(FREE_STRENGTH).toBe(2);
  expect(leftPiece('floury potato', { shape: 'cube', edgeMm: 0.5 }, 1e5)).toEqual({ free: 0.2, cells: 0.6 });
});

test('a vegetable’s strength is that of its wall and its starch; what no blender thickens has none', () => {
  const composition = {
    water: 0.9,
    protein: 0,
    fat: 0,
    sugars: 0,
    ash: 0,
    alcohol: 0,
    fibre: 0.02,
    starch: 0.05,
  };
  expect(pureeStrength({ puree: 'carrot', composition })).toBeCloseTo(0.02 * 3.1 + 0.05, 9);
  expect(pureeStrength({ composition })).toBe(0);
});

test('protein is crowded no further than half the volume', () => {
  expect(proteinFactor(0.5)).toBeCloseTo((1 - 0.5 / 0.7) ** -1.75, 9);
  expect(proteinFactor(0.45)).toBeLessThan(proteinFactor(0.5));
  expect(proteinFactor(0.6)).toBe(proteinFactor(0.5));
});
