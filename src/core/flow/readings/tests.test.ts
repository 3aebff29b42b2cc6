import fc from 'fast-check';
import { DEFAULT_LIMITS, rangeOf } from '../bands';
import { equivalentsFor } from '../viscosity';
import {
  CALIBRATION_LIQUIDS,
  calibrateFunnel,
  cupTime,
  cupViscosity,
  funnelTime,
  funnelViscosity,
  orificeShear,
} from './cups';
import {
  lineSpreadRadius,
  lineSpreadShear,
  lineSpreadViscosity,
  troughLength,
  troughViscosity,
} from './currents';
import { drainedMass, drainedShear, drainedViscosity, filmThickness } from './film';
import { type FlowTest, place, readingFor, shearOf, TEST_ERROR } from './reading';
import { flowError, placeAlone } from './repeated';
import { spreadSheet } from './sheet';
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

/** ISO 2431:2019, from memory: ν = a·t − b/t, mm²/s, for 30 to 100 s. */
test.each([
  [3, 0.443, 200],
  [4, 1.37, 200],
  [5, 3.28, 220],
  [6, 6.9, 570],
] as const)('the %d mm cup reads ν = %d t − %d/t from 30 to 100 s', (cup, a, b) => {
  for (const t of [30, 55, 100]) {
    expect(cupViscosity(cup, t)).toBeCloseTo(a * t - b / t, 9);
    expect(cupTime(cup, a * t - b / t)).toBeCloseTo(t, 9);
  }
  for (const t of [29.9, 100.1]) expect(() => cupViscosity(cup, t)).toThrow(/from 30 to 100 s/);
  expect(() => cupTime(cup, a * 29 - b / 29)).toThrow(/for this cup/);
});

/** Water 1.002 mPa·s and 0.998 g/mL, 60 % sucrose 58.5 and 1.287, at 20 °C: sugar-technology tables, from memory. */
test('the liquids a funnel is calibrated with', () => {
  expect(CALIBRATION_LIQUIDS.water.nu).toBeCloseTo(1.004, 3);
  expect(CALIBRATION_LIQUIDS.syrup.nu).toBeCloseTo(45.45, 2);
});

test('runs that cannot tell two liquids apart are refused: 5 % in time, half as much again in viscosity', () => {
  const thin = { nu: 1, seconds: 10 };
  expect(() => calibrateFunnel(thin, { nu: 45, seconds: 10.4 })).toThrow(/thick liquid’s time/);
  expect(calibrateFunnel(thin, { nu: 45, seconds: 10.6 }).a).toBeGreaterThan(0);
  expect(() => calibrateFunnel(thin, { nu: 1.4, seconds: 20 })).toThrow(/thick liquid’s viscosity/);
  expect(calibrateFunnel(thin, { nu: 1.6, seconds: 20 }).a).toBeGreaterThan(0);
  expect(() => calibrateFunnel({ nu: 1, seconds: 0.4 }, { nu: 45, seconds: 5 })).toThrow(
    /thin liquid’s time/,
  );
});

test('shear at an orifice is 4Q/(πr³): 100 mL in 50 s through 4 mm is 318 s⁻¹', () => {
  expect(orificeShear(4, 100, 50)).toBeCloseTo((4 * 2) / (Math.PI * 0.2 ** 3), 6);
  expect(shearOf({ kind: 'cup', orifice: 4 }, 50)).toBeCloseTo(318.3, 1);
});

/** Huppert (1982), J. Fluid Mech. 121: R = 0.894 (g V³ t/3ν)^⅛, L = 1.411 (g q³ t²/3ν)^⅕ with q the area behind the gate. */
test('currents run as Huppert has them', () => {
  const [nu, t] = [150e-6, 30];
  expect(lineSpreadRadius(150, 100, t)).toBeCloseTo(894 * ((9.81 * 1e-4 ** 3 * t) / (3 * nu)) ** (1 / 8), 6);
  expect(troughLength(150, 1000, t)).toBeCloseTo(1411 * ((9.81 * 1e-3 ** 3 * t) / (3 * nu)) ** (1 / 5), 6);
});

test('a current shears by its speed over half its thickness', () => {
  // R grows with t^⅛: dR/dt = R/8t. L with t^⅕.
  const thick = (100 * 1e3) / (Math.PI * 80 ** 2);
  expect(lineSpreadShear(80, 100, 30)).toBeCloseTo(80 / (8 * 30) / (thick / 2), 9);
  expect(shearOf({ kind: 'trough', mm2: 1000, seconds: 30 }, 200)).toBeCloseTo(
    200 / 150 / (1000 / 200 / 2),
    9,
  );
});

/** Jeffreys (1930): h(x) = √(νx/gt); over the height it is ⅔ of that at the foot. */
test('what drains leaves Jeffreys’ film, and shears at the wall by gh/ν', () => {
  const h = Math.sqrt((150e-6 * 0.06) / (9.81 * 10));
  expect(filmThickness(150, 60, 10)).toBeCloseTo(h, 12);
  expect(drainedMass(150, 40, 60, 10)).toBeCloseTo((2 / 3) * h * 0.06 * 0.04 * 1e6 * 1.03, 9);
  const half = Math.sqrt((150e-6 * 0.03) / (9.81 * 10));
  expect(drainedShear(150, 60, 10)).toBeCloseTo((9.81 * half) / 150e-6, 6);
});

test('one careful reading is good to 5 % by a cup, 10 by a funnel, 20 by trough and spoon, 35 by a spread; repeats average out up to four', () => {
  expect(TEST_ERROR).toEqual({ cup: 0.05, funnel: 0.1, 'line spread': 0.35, trough: 0.2, spoon: 0.2 });
  expect(flowError(TESTS[0]?.[1] ?? { kind: 'cup', orifice: 6 }, 4)).toBeCloseTo(0.025, 9);
  expect(flowError({ kind: 'cup', orifice: 6 }, 9)).toBe(flowError({ kind: 'cup', orifice: 6 }, 4));
  expect(flowError({ kind: 'cup', orifice: 6 }, 3)).toBeGreaterThan(
    flowError({ kind: 'cup', orifice: 6 }, 4),
  );
  expect(flowError({ kind: 'cup', orifice: 6 }, 0)).toBe(0.05);
});

test('a soup of which nothing is known is taken for a cream soup of 3 % fat, as thick as it tests', () => {
  const spread: FlowTest = { kind: 'line spread', ml: 100, seconds: 30 };
  const found = placeAlone(spread, [110, 100, 112], 65);
  expect(found.bowl).toBe(placeAlone(spread, [110], 65, 0.03).bowl);
  expect(found.bowl).not.toBe(placeAlone(spread, [110], 65, 0.033).bowl);
  // At rest in the loop: placed with the shear thinning of the dose it itself finds.
  expect(place(spread, 110, 65, equivalentsFor(found.bowl, 0.03), DEFAULT_LIMITS).bowl).toBeCloseTo(
    found.bowl,
    2,
  );
});

test('the line-spread sheet: 100 mL, 30 s, rings every 5 mm from 20, each second labelled, bands where a cream soup of 3 % fat stands', () => {
  const sheet = spreadSheet(DEFAULT_LIMITS, 65);
  expect([sheet.ml, sheet.seconds, sheet.celsius]).toEqual([100, 30, 65]);
  expect(sheet.rings.map((r) => r.radius).slice(0, 3)).toEqual([20, 25, 30]);
  expect(sheet.rings.at(-1)?.radius).toBe(95);
  expect(sheet.rings.filter((r) => r.labelled).map((r) => r.radius % 10)).toEqual(Array(8).fill(0));
  const at = (v: number): number =>
    readingFor({ kind: 'line spread', ml: 100, seconds: 30 }, v, 65, equivalentsFor(v, 0.03));
  for (const { band, from, to } of sheet.bands) {
    const [low, high] = rangeOf(band);
    // The runnier, the larger; whole millimetres.
    expect([from, to]).toEqual([Math.round(at(high)), Math.round(at(low))]);
  }
});

test('a reading keeps its band by the house’s limits', () => {
  const test: FlowTest = { kind: 'line spread', ml: 100, seconds: 30 };
  const found = place(test, 80, 65, 40, DEFAULT_LIMITS);
  expect(found.range[1] / found.bowl).toBeCloseTo(Math.exp(0.35), 9);
  expect(place(test, 80, 65, 40, [1, 2, 3, found.bowl * 1.01]).band).toBe('Hearty');
});
