import { bandOf, middleOf, rangeOf, spoonFilm } from './bands';
import {
  equivalentsFor,
  fatFactor,
  flowIndex,
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
