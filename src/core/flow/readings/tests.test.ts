import fc from 'fast-check';
import { DEFAULT_LIMITS } from '../bands';
import { calibrateFunnel, cupTime, cupViscosity, funnelTime, funnelViscosity } from './cups';
import { lineSpreadRadius, lineSpreadViscosity, troughLength, troughViscosity } from './currents';
import { drainedMass, drainedViscosity } from './film';
import { type FlowTest, place, readingFor } from './reading';
import { syringeLevel } from './syringe';

const TESTS: readonly [string, FlowTest, number, number][] = [
  ['6 mm cup', { kind: 'cup', orifice: 6 }, 230, 500],
  ['house funnel', { kind: 'funnel', funnel: { a: 0.1, b: 4 }, orificeMm: 8, ml: 200 }, 20, 800],
  ['line spread', { kind: 'line spread', ml: 50, seconds: 30 }, 30, 2000],
  ['trough', { kind: 'trough', mm2: 2000, seconds: 30 }, 30, 2000],
  ['weighed spoon', { kind: 'spoon', widthMm: 40, heightMm: 60, seconds: 5 }, 30, 2000],
];

test.each(TESTS)('%s: what it should read, read back, is the target', (_name, flowTest, low, high) => {
  for (const [equivalents, celsius] of [
    [20, 65],
    [60, 70],
    [90, 60],
  ] as const) {
    for (const bowl of [low, Math.sqrt(low * high), high]) {
      let reading: number;
      try {
        reading = readingFor(flowTest, bowl, celsius, equivalents);
      } catch (error) {
        // A cup refuses what it cannot time; nothing else may refuse.
        expect(flowTest.kind).toBe('cup');
        expect(error).toBeInstanceOf(RangeError);
        continue;
      }
      const back = place(flowTest, reading, celsius, equivalents, DEFAULT_LIMITS);
      expect(Math.abs(back.bowl / bowl - 1)).toBeLessThan(0.005);
      expect(back.range[0]).toBeLessThan(back.bowl);
      expect(back.range[1]).toBeGreaterThan(back.bowl);
    }
  }
});

test('a hot pot reads thinner than the bowl it will be', () => {
  const spread: FlowTest = { kind: 'line spread', ml: 50, seconds: 30 };
  const hot = place(spread, 90, 95, 50, DEFAULT_LIMITS);
  const served = place(spread, 90, 65, 50, DEFAULT_LIMITS);
  expect(hot.bowl).toBeGreaterThan(served.bowl);
});

test('currents and films are inverse to their readings', () => {
  fc.assert(
    fc.property(fc.double({ min: 5, max: 5000, noNaN: true }), (nu) => {
      expect(lineSpreadViscosity(lineSpreadRadius(nu, 60, 30), 60, 30)).toBeCloseTo(nu, 3);
      expect(drainedViscosity(drainedMass(nu, 40, 60, 5), 40, 60, 5) / nu).toBeCloseTo(1, 6);
      const length = troughLength(nu, 2000, 30);
      if (length >= 20 && length <= 1000) expect(troughViscosity(length, 2000, 30) / nu).toBeCloseTo(1, 6);
    }),
    { seed: 3, numRuns: 80 },
  );
});

test('times, sizes and readings no test covers are refused with field, value and range', () => {
  expect(() => cupViscosity(4, 12)).toThrow('flow time is 12; it must be from 30 to 100 s');
  expect(() => cupViscosity(4, Number.NaN)).toThrow(/flow time/);
  expect(() => cupTime(3, 5000)).toThrow(/for this cup/);
  expect(() => lineSpreadViscosity(-3, 50, 30)).toThrow(/radius is -3/);
  expect(() => syringeLevel(12)).toThrow(/mL left is 12/);
});

test('a funnel calibrated with two liquids tells them apart again', () => {
  const funnel = calibrateFunnel({ nu: 1, seconds: 4.2 }, { nu: 45.5, seconds: 12 });
  expect(funnelViscosity(funnel, 12)).toBeCloseTo(45.5, 9);
  expect(funnelViscosity(funnel, funnelTime(funnel, 120))).toBeCloseTo(120, 9);
  expect(() => calibrateFunnel({ nu: 1, seconds: 5 }, { nu: 45, seconds: 5 })).toThrow(/thick liquid’s time/);
});

test('syringe levels', () => {
  expect([0, 0.9, 1, 3.9, 4, 8, 8.1, 9.5, 10].map((ml) => syringeLevel(ml))).toEqual([
    0, 0, 1, 1, 2, 2, 3, 3, 4,
  ]);
  expect(syringeLevel(9, false)).toBe(4);
});

test('a cup tells a soup that only its own shear brings into its range, and refuses one it does not', () => {
  const cup = { kind: 'cup', orifice: 4 } as const;
  const soup = { bowl: 153, celsius: 65, equivalents: 30 };
  // As stirred it stands at 149 mm²/s, over the 135 this cup tells; at the cup's shear it is thinner.
  const reading = readingFor(cup, soup.bowl, soup.celsius, soup.equivalents);
  expect(reading).toBeGreaterThan(30);
  expect(reading).toBeLessThan(100);
  expect(place(cup, reading, soup.celsius, soup.equivalents, DEFAULT_LIMITS).bowl).toBeCloseTo(153, 1);
  expect(() => readingFor(cup, 2000, 65, 90)).toThrow(/must be from/);
});
