import { readFileSync } from 'node:fs';
import { ingredient } from '../src/core/food/catalogue';
import { toGrams } from '../src/core/units/measure';
import type { Filling } from '../src/core/units/quantity';
import { MASS_UNITS, VOLUME_UNITS } from '../src/core/units/quantity';

/** The data file of GNU units, as Debian ships it: definitions and cooking densities. */
const data = readFileSync('/usr/share/units/definitions.units', 'utf8');

const OUNCE = 28.349523125;

/** g/mL from a line such as "flour_spooned  4.25 oz/uscup" or "milk 242 g/uscup" or "salt 6 g / ustsp". */
function densityIn(name: string): number {
  const m = new RegExp(`^${name}\\s+([\\d.]+)\\s*(oz|g|grams)\\s*/\\s*(uscup|ustsp)`, 'm').exec(data);
  if (!m) throw new Error(`${name} is not in the data file`);
  const grams = Number(m[1]) * (m[2] === 'oz' ? OUNCE : 1);
  return grams / (m[3] === 'uscup' ? 236.5882365 : 4.92892159375);
}

describe('GNU units', () => {
  test.each([
    ['scooped', 'flour_scooped'],
    ['spooned', 'flour_spooned'],
    ['sifted', 'flour_sifted'],
  ] as const)('a cup of %s flour', (filled, name) => {
    const cup = toGrams(
      { value: 1, unit: 'cup', filled: filled as Filling },
      ingredient('plain-flour').density,
    );
    expect(Math.abs(cup / (densityIn(name) * 236.588) - 1)).toBeLessThan(0.005);
  });

  test.each([
    ['butter', 'butter'],
    ['clarified-butter', 'butter_clarified'],
    ['cornstarch', 'cornstarch'],
    ['whole-milk', 'milk'],
    ['heavy-cream', 'heavycream'],
    ['salt', 'salt'],
  ])('a tablespoon of %s', (id, name) => {
    const spoon = toGrams({ value: 1, unit: 'tbsp' }, ingredient(id).density);
    expect(Math.abs(spoon / (densityIn(name) * 14.78676) - 1)).toBeLessThan(0.01);
  });

  test('the sizes of units follow from its US gallon of 231 in³ and pound of 0.45359237 kg', () => {
    expect(data).toMatch(/^pound\s+0\.45359237 kg/m);
    expect(data).toMatch(/^usgallon\s+231 in\^3/m);
    expect(VOLUME_UNITS.gal).toBeCloseTo(231 * 2.54 ** 3, 6);
    expect(VOLUME_UNITS.cup).toBeCloseTo(VOLUME_UNITS.gal / 16, 6);
    expect(VOLUME_UNITS.tbsp).toBeCloseTo(VOLUME_UNITS.cup / 16, 6);
    expect(VOLUME_UNITS.tsp).toBeCloseTo(VOLUME_UNITS.tbsp / 3, 6);
    expect(MASS_UNITS.lb).toBeCloseTo(453.59237, 6);
    expect(MASS_UNITS.oz).toBeCloseTo(MASS_UNITS.lb / 16, 9);
  });
});
