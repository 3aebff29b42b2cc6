import { BANDS, bandOf, DEFAULT_LIMITS, middleOf, openRangeOf, rangeOf, spoonFilm } from './bands';
import {
  BOWL_CELSIUS,
  equivalentsFor,
  fatFactor,
  flowIndex,
  STIR_RATE,
  temperatureFactor,
  viscosity,
  waterViscosity,
} from './viscosity';

test('a soup at the boil reads about 0.65 of what it will in the bowl', () => {
  expect(temperatureFactor(100) / temperatureFactor(65)).toBeGreaterThan(0.58);
  expect(temperatureFactor(100) / temperatureFactor(65)).toBeLessThan(0.68);
});

test('the dose for a viscosity gives that viscosity', () => {
  for (const target of [30, 150, 500]) {
    for (const phi of [0, 0.05, 0.15])
      expect(viscosity(equivalentsFor(target, phi), phi, 65)).toBeCloseTo(target, 6);
  }
  expect(equivalentsFor(0.5, 0)).toBe(0);
});

test('thick soup is shear-thinning, thin soup is not', () => {
  expect(flowIndex(0)).toBe(1);
  expect(flowIndex(300)).toBe(0.35);
  expect(viscosity(80, 0, 65, 5)).toBeGreaterThan(viscosity(80, 0, 65, 50));
  expect(viscosity(0, 0, 65, 5)).toBe(viscosity(0, 0, 65, 50));
});

test('fat thickens, ever more', () => {
  expect(fatFactor(0)).toBe(1);
  expect(fatFactor(0.3) / fatFactor(0.2)).toBeGreaterThan(fatFactor(0.2) / fatFactor(0.1));
});

test('bands meet without gap or overlap, and the house may move them', () => {
  expect(bandOf(89.99)).toBe('Light');
  expect(bandOf(90)).toBe('Coating');
  expect(bandOf(5000)).toBe('Stiff');
  expect(bandOf(100, [20, 110, 300, 900])).toBe('Light');
  expect(bandOf(middleOf('Hearty'))).toBe('Hearty');
  expect(rangeOf('Coating')).toEqual([90, 260]);
});

test('a spoon keeps twice the film of a soup four times as thick', () => {
  expect(spoonFilm(400) / spoonFilm(100)).toBeCloseTo(2, 9);
  expect(spoonFilm(150)).toBeGreaterThan(0.3);
  expect(spoonFilm(150)).toBeLessThan(0.7);
});

test('hot water is thinner', () => {
  expect(waterViscosity(20)).toBeCloseTo(1.0, 1);
  expect(waterViscosity(60)).toBeLessThan(0.5);
});

test('the ladder’s bands are those of docs/model.md: 25, 90, 260, 800, shown from 5 to 2500 mPa·s', () => {
  expect(DEFAULT_LIMITS).toEqual([25, 90, 260, 800]);
  expect(BANDS.map((b) => rangeOf(b))).toEqual([
    [5, 25],
    [25, 90],
    [90, 260],
    [260, 800],
    [800, 2500],
  ]);
  expect(openRangeOf('Thin')).toEqual([0, 25]);
  expect(openRangeOf('Stiff')).toEqual([800, Number.POSITIVE_INFINITY]);
  expect(bandOf(24.9)).toBe('Thin');
  expect(bandOf(799.9)).toBe('Hearty');
});

test('at 60 °C: 70 mPa·s over the serum at 45 g/L of flour, with the cube of the dose; the serum is 1.5 times water', () => {
  const serum = viscosity(0, 0, 60);
  expect(serum).toBeCloseTo(1.5 * waterViscosity(60), 9);
  expect(viscosity(45, 0, 60) - serum).toBeCloseTo(70, 9);
  expect((viscosity(90, 0, 60) - serum) / 70).toBeCloseTo(8, 9);
  expect([BOWL_CELSIUS, STIR_RATE]).toEqual([65, 50]);
});

/** Viscosity of water, mPa·s: CRC Handbook of Chemistry and Physics, from memory. */
test.each([
  [10, 1.306],
  [20, 1.002],
  [40, 0.653],
  [60, 0.466],
  [80, 0.354],
  [100, 0.282],
])('water at %d °C is %d mPa·s, within 3 %%', (celsius, published) => {
  expect(Math.abs(waterViscosity(celsius) / published - 1)).toBeLessThan(0.03);
});

test('heat thins as exp(15 kJ/mol / RT), and 1 g/L of flour lowers the flow index by 0.0065', () => {
  const k = (c: number): number => c + 273.15;
  expect(Math.log(temperatureFactor(80))).toBeCloseTo((15_000 / 8.314) * (1 / k(80) - 1 / k(60)), 6);
  expect(flowIndex(40)).toBeCloseTo(0.74, 9);
  expect(flowIndex(101)).toBe(0.35);
  expect(flowIndex(99)).toBeGreaterThan(0.35);
});

test('fat thickens as (1 − φ)^−3.5 up to where cream ends, 60 % of the volume', () => {
  expect(fatFactor(0.4)).toBeCloseTo(0.6 ** -3.5, 9);
  expect(fatFactor(0.6)).toBeGreaterThan(fatFactor(0.59));
  expect(fatFactor(0.7)).toBe(fatFactor(0.6));
});

test('the film on a spoon is 2 s old, 30 mm below the edge, of soup of 1.03 g/mL', () => {
  expect(spoonFilm(150)).toBeCloseTo(Math.sqrt(((150 / 1.03) * 1e-6 * 0.03) / (9.81 * 2)) * 1000, 9);
});
