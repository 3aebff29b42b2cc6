import { viscosity } from '../src/core/flow/viscosity';
import '../src/core/food/load';
import { ingredient } from '../src/core/food/catalogue';
import { equivalentsOf } from '../src/core/thicken/mixture';
import { pulpOf } from '../src/core/thicken/puree';

/**
 * Fruit and vegetable products, power law K Pa·sⁿ and n at a temperature and total solids: Steffe (1996), Rheological
 * Methods in Food Process Engineering, appendix; from memory. The share of the solids that does not dissolve, which
 * is what thickens, is from memory too and good to a fifth: tomato an eighth, apple a fifth, the others about a ninth.
 */
type Row = readonly [string, number, number, number, number, number];
const PUBLISHED: readonly Row[] = [
  ['tomato', 5.8, 32, 0.223, 0.59, 0.125],
  ['tomato', 12.8, 32, 2.1, 0.43, 0.125],
  ['tomato', 16, 32, 3.2, 0.45, 0.125],
  ['tomato', 25, 32, 12.9, 0.4, 0.125],
  ['peach', 10.9, 27, 0.94, 0.44, 0.11],
  ['pear', 15.2, 27, 4.25, 0.35, 0.12],
  ['apricot', 17.7, 27, 5.4, 0.29, 0.11],
  ['apple sauce', 11, 30, 11.6, 0.34, 0.2],
  ['apple sauce', 11, 82, 9, 0.34, 0.2],
];

/** mPa·s at 50 s⁻¹, where a spoon stirs. */
const published = (k: number, n: number): number => k * 50 ** (n - 1) * 1000;

/** What the catalogue's tomato, of 5.5 % solids of which an eighth does not dissolve, brings a gram of what does not. */
const tomato = ingredient('tomato');
const perInsoluble = pulpOf('tomato', tomato.composition, 1).pulp / (0.055 * 0.125);

/** The model's, for a product of `solids` % of which `share` does not dissolve; sugar makes it denser by 0.4 % a per cent. */
function model(solids: number, share: number, celsius: number): number {
  const gramsPerLitre = solids * 10 * (1 + 0.004 * solids) * share;
  return viscosity(
    equivalentsOf({ granules: 0, pulp: gramsPerLitre * perInsoluble, protein: 0 }, 1),
    0,
    celsius,
  );
}

const off = ([, solids, celsius, k, n, share]: Row): number =>
  model(solids, share, celsius) / published(k, n) - 1;

test.each(PUBLISHED.filter(([what]) => what !== 'apple sauce'))(
  '%s of %s %% solids at %s °C, within 35 %%',
  (...row) => {
    expect(Math.abs(off(row))).toBeLessThan(0.35);
  },
);

/**
 * Known misses: apple sauce is coarse, its cells whole, where the law is fitted to what went through a finisher; and it
 * thins less as it warms (by a fifth from 30 to 82 °C) than soups are taken to (by more than half).
 */
test.each([
  [30, -0.3, -0.45],
  [82, -0.6, -0.7],
])('apple sauce at %s °C is understated, by no more than it says', (celsius, least, most) => {
  const row = PUBLISHED.find(([what, , at]) => what === 'apple sauce' && at === celsius);
  if (!row) throw new Error('the table has it');
  expect(off(row)).toBeLessThan(least);
  expect(off(row)).toBeGreaterThan(most);
});

test('over a fourfold range of solids tomato grows with a power of 2.3, the model’s with 2.6', () => {
  const power = (a: number, b: number) => Math.log(b / a) / Math.log(25 / 5.8);
  expect(power(published(0.223, 0.59), published(12.9, 0.4))).toBeCloseTo(2.27, 1);
  expect(power(model(5.8, 0.125, 32), model(25, 0.125, 32))).toBeCloseTo(2.6, 1);
});
