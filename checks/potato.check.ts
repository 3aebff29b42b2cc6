import fc from 'fast-check';
import { cook, dice, pour, simmer, taste } from './pots';

/**
 * Potato in pieces against the same potato put through. Cells that part from a boiled piece stay closed round their gelled
 * starch (McGee, On Food and Cooking, from memory): whole thickens no more than mashed or blended. Boiled potatoes
 * lose some 2 to 6 % of their dry matter (Burton, The Potato; Lisinska & Leszczynski, Potato Science and Technology;
 * from memory).
 */
const KINDS = ['floury-potato', 'waxy-potato'] as const;
const STOCK = pour('vegetable-stock', 1000, 90);
const BLEND = { kind: 'puree', fraction: 1, tool: 'stick blender', minutes: 0 };
const thick = (steps: readonly Record<string, unknown>[]): number => taste(cook(steps)).bowlViscosity;
const asPuree = (kind: string, g: number) => ({
  kind: 'add',
  items: [{ ingredient: kind, amount: g, celsius: 80, as: 'puree' }],
});

test('whole pieces never thicken more than the same mass puréed, whatever their size and however long they simmer', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...KINDS),
      fc.integer({ min: 100, max: 700 }),
      fc.double({ min: 3, max: 30, noNaN: true }),
      fc.integer({ min: 1, max: 90 }),
      (kind, g, edge, minutes) => {
        const whole = thick([STOCK, dice(kind, g, edge), simmer(minutes)]);
        expect(whole).toBeLessThanOrEqual(thick([STOCK, asPuree(kind, g), simmer(minutes)]) * 1.001);
        expect(whole).toBeLessThanOrEqual(
          thick([STOCK, dice(kind, g, edge), simmer(minutes), BLEND]) * 1.001,
        );
      },
    ),
    { numRuns: 40, seed: 30 },
  );
});

test('longer, smaller and floury is thicker, or as thick, under a lid that keeps the water', () => {
  for (const kind of KINDS) {
    const by = [6, 9, 12.7, 20].map((edge) =>
      [5, 10, 20, 40, 60].map(
        (minutes) => taste(cook([STOCK, dice(kind, 500, edge), simmer(minutes)])).equivalents,
      ),
    );
    for (const row of by)
      for (const [n, e] of row.entries()) expect(e).toBeGreaterThanOrEqual(row[n - 1] ?? 0);
    for (const n of [0, 1, 2, 3, 4])
      for (const [i, row] of by.entries()) expect(row[n]).toBeLessThanOrEqual(by[i - 1]?.[n] ?? Infinity);
  }
  const [floury = 0, waxy = 0] = KINDS.map((k) => thick([STOCK, dice(k, 500, 9), simmer(40)]));
  expect(floury).toBeGreaterThan(3 * waxy);
});

test('500 g a litre of floury dice of 6 mm, forty minutes: a light soup, where they blended to a thick one; it was 1,022 against 262', () => {
  const whole = thick([STOCK, dice('floury-potato', 500, 6), simmer(40)]);
  expect(whole).toBeGreaterThan(50);
  expect(whole).toBeLessThan(200);
  expect(thick([STOCK, dice('floury-potato', 500, 6), simmer(40), BLEND])).toBeGreaterThan(2 * whole);
});

test('an hour off the heat under a lid does nearly nothing: it was 10 mPa·s to 112', () => {
  const boiled = [STOCK, dice('floury-potato', 500, 9), simmer(12)];
  const rested = [...boiled, { kind: 'rest', minutes: 60, lid: 'on' }];
  const simmered = [...boiled, simmer(20)];
  const gained = (steps: readonly Record<string, unknown>[]) => thick(steps) - thick(boiled);
  expect(gained(rested)).toBeLessThan(0.15 * gained(simmered));
});

test('boiled until tender, dice of half an inch lose 2 to 6 % of their dry matter (Burton; Lisinska & Leszczynski, from memory)', () => {
  for (const kind of KINDS) {
    const { pieces } = cook([STOCK, dice(kind, 500, 12.7), simmer(1, 'on', true)]);
    const [piece] = pieces;
    const [fresh] = cook([STOCK, dice(kind, 500, 12.7)]).pieces;
    const dry = (p: typeof piece) => (p ? p.g * (1 - p.composition.water) : 0);
    const lost = 1 - dry(piece) / dry(fresh);
    expect(lost).toBeGreaterThan(0.02);
    expect(lost).toBeLessThan(0.06);
  }
});
