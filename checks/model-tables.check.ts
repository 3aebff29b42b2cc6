import { readFileSync } from 'node:fs';
import type { PureeClass, SofteningClass } from '../src/core/food/ingredient';
import { JUICE, TENDER_AFTER } from '../src/core/heat/softening';
import {
  cookThickener,
  equivalentsAtWork,
  swellingAt,
  type Thickener,
  yolkLimit,
} from '../src/core/thicken/granules';
import { METHOD_RULES } from '../src/core/thicken/methods';
import { makeOf } from '../src/core/thicken/mixture';
import { pulpOf } from '../src/core/thicken/puree';
import type { ThickenMethod } from '../src/core/thickeners/row';
import { THICKENER_KINDS, THICKENERS, type ThickenerKind } from '../src/core/thickeners/thickeners';

/** The tables of docs/model.md: what is written there of a thickener or a vegetable is what the model does. */
const doc = readFileSync('docs/model.md', 'utf8');

/** The rows under the table's head, each by its cells. */
function table(head: string): readonly (readonly string[])[] {
  const [, after] = doc.split(`| ${head} |\n`);
  if (after === undefined) throw new Error(`docs/model.md has no table “${head}”`);
  const lines = after.split('\n').slice(1);
  const rows = lines.slice(
    0,
    lines.findIndex((l) => !l.startsWith('|')),
  );
  return rows.map((r) =>
    r
      .slice(1, -1)
      .split('|')
      .map((c) => c.trim()),
  );
}

const thickener = (kind: ThickenerKind): Thickener => ({
  kind,
  from: 'x',
  dry: 10,
  equivalents: 10,
  swollen: 0,
  strength: 1,
  cookedMinutes: 0,
});

const TABLE = table('thickener | a gram is, g of flour | swells, °C | boil, % | blender, % | simmer, min');

test('every thickener there is stands in its table', () => {
  expect(TABLE.map(([kind]) => kind).sort()).toEqual([...THICKENER_KINDS].sort());
});

describe.each(TABLE)('%s', (kind, gram = '', swells = '', boil, blender, simmer) => {
  const k = kind as ThickenerKind;
  const left = (celsius: number, pH?: number) => cookThickener(thickener(k), 1200, celsius, pH).strength;

  test('a gram is worth what the table says', () => {
    expect(THICKENERS[k].strength).toBeCloseTo(Number.parseFloat(gram) || 0, 3);
    expect(makeOf(k) === 'protein').toBe(gram.includes('protein'));
  });

  test('it swells between the two temperatures', () => {
    if (swells === 'at once') {
      expect([swellingAt(k, 5), swellingAt(k, 95)]).toEqual([1, 1]);
      return;
    }
    const [onset = 0, full = 0] = swells.split('–').map(Number);
    expect(swellingAt(k, onset)).toBe(0);
    expect(swellingAt(k, onset + 0.5)).toBeGreaterThan(0);
    expect(swellingAt(k, (onset + full) / 2)).toBeCloseTo(0.5, 9);
    expect(swellingAt(k, full - 0.5)).toBeLessThan(1);
    expect(swellingAt(k, full)).toBe(1);
  });

  test('twenty minutes’ boiling, and a blender, take that share', () => {
    expect(left(96)).toBeCloseTo(1 - Number(boil) / 100, 9);
    expect(left(84)).toBe(1);
    expect(THICKENERS[k].blenderLoss).toBeCloseTo(Number(blender) / 100, 9);
    expect(THICKENERS[k].leastSimmer).toBe(Number(simmer));
  });

  test('acid: from pH 4.5 down twice as quick, four times one below', () => {
    const rest = 1 - Number(boil) / 100;
    expect(left(96, 4.5)).toBeCloseTo(rest, 9);
    expect(left(96, 4.5 - 1e-9)).toBeCloseTo(rest ** 2, 6);
    expect(left(96, 3.5)).toBeCloseTo(rest ** 4, 9);
  });
});

/** Gelatinisation ranges, °C: Swinkels 1985 and BeMiller & Whistler, Starch, from memory; handbooks differ by a few degrees. */
test.each([
  ['wheat', 52, 65],
  ['maize', 60, 72],
  ['rice flour', 61, 78],
  ['potato starch', 56, 69],
  ['tapioca', 58, 70],
  ['arrowroot', 62, 75],
  ['waxy maize', 62, 74],
] as const)('%s begins to swell within its published gelatinisation range', (kind, low, high) => {
  expect(swellingAt(kind, low)).toBe(0);
  expect(swellingAt(kind, high)).toBeGreaterThan(0);
});

test('wet at 85 °C and over is cook-out; it swells two thirds of the way in 20 s', () => {
  expect(cookThickener(thickener('wheat'), 60, 85).cookedMinutes).toBe(1);
  expect(cookThickener(thickener('wheat'), 60, 84.9).cookedMinutes).toBe(0);
  expect(cookThickener(thickener('wheat'), 20, 95).swollen).toBeCloseTo(1 - Math.exp(-1), 9);
  const t = { ...thickener('maize'), swollen: 0.5, strength: 0.8 };
  expect(equivalentsAtWork([t, thickener('wheat')])).toBeCloseTo(4, 9);
});

test('yolk scrambles over 85 °C, over 90 with 25 g/L of starch', () => {
  expect([yolkLimit(0), yolkLimit(24.9), yolkLimit(25), yolkLimit(60)]).toEqual([85, 85, 90, 90]);
});

test.each(table('vegetable | wall | starch | tender, min | juice, %'))(
  '%s brings, and takes, what the table says',
  (kind, wall, starch, tender, juice) => {
    if (wall !== '–') {
      const none = { water: 0.8, protein: 0, fat: 0, sugars: 0, ash: 0, alcohol: 0 };
      const composition = { ...none, fibre: 0.1, starch: 0.1 };
      const { pulp, granules } = pulpOf(kind as PureeClass, composition, 1000);
      expect(pulp).toBeCloseTo(100 * Number(wall), 9);
      expect(granules).toBeCloseTo(100 * Number(starch), 9);
    }
    if (tender !== '–') {
      expect(TENDER_AFTER[kind as SofteningClass]).toBe(Number(tender));
      expect(JUICE[kind as SofteningClass]).toBeCloseTo(Number(juice) / 100, 9);
    }
  },
);

test('every vegetable’s softening stands in its table', () => {
  const rows = table('vegetable | wall | starch | tender, min | juice, %');
  const soft = rows.filter((r) => r[3] !== '–').map(([kind]) => kind);
  expect(soft.sort()).toEqual(Object.keys(TENDER_AFTER).sort());
});

test.each(table('way | carrier | simmer, min'))('%s', (way, carrier, simmer) => {
  const rule = METHOD_RULES[way as ThickenMethod];
  expect([rule.carrier, rule.leastMinutes]).toEqual([Number(carrier), Number(simmer)]);
});
