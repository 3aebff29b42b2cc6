import fc from 'fast-check';
import { BOWL_CELSIUS, equivalentsFor, viscosity } from '../flow/viscosity';
import { equivalentsOf, proteinFactor, steepnessOf } from './mixture';

const dose = fc.double({ min: 0, max: 400, noNaN: true });
const alone = { granules: 0, pulp: 0, protein: 0 };

test('flour alone is its own measure', () => {
  fc.assert(
    fc.property(dose, (granules) => {
      expect(equivalentsOf({ ...alone, granules }, 1)).toBeCloseTo(granules, 3);
    }),
  );
});

test('pulp alone grows with the power 2.5, and meets flour at 45 g/L', () => {
  const thick = (pulp: number) =>
    viscosity(equivalentsOf({ ...alone, pulp }, 1), 0, 60) - viscosity(0, 0, 60);
  expect(equivalentsOf({ ...alone, pulp: 45 }, 1)).toBeCloseTo(45, 6);
  expect(thick(90) / thick(45)).toBeCloseTo(2 ** 2.5, 6);
  expect(thick(22.5) / thick(45)).toBeCloseTo(0.5 ** 2.5, 6);
});

test('more of anything is never thinner, and more water never thicker', () => {
  fc.assert(
    fc.property(
      dose,
      dose,
      dose,
      fc.double({ min: 0.001, max: 50, noNaN: true }),
      (granules, pulp, protein, more) => {
        const e = equivalentsOf({ granules, pulp, protein }, 1);
        // What protein adds is a cube root of a difference: good to its digits.
        const slack = 1e-6 + 1e-9 * e;
        expect(equivalentsOf({ granules: granules + more, pulp, protein }, 1)).toBeGreaterThanOrEqual(
          e - slack,
        );
        expect(equivalentsOf({ granules, pulp: pulp + more, protein }, 1)).toBeGreaterThanOrEqual(e - slack);
        expect(equivalentsOf({ granules, pulp, protein: protein + more }, 1)).toBeGreaterThanOrEqual(
          e - slack,
        );
        expect(equivalentsOf({ granules, pulp, protein }, 1 + more)).toBeLessThanOrEqual(e + slack);
      },
    ),
    { numRuns: 400 },
  );
});

test('flour and pulp fill the same space: together they are thicker than both apart', () => {
  const thick = (granules: number, pulp: number) =>
    viscosity(equivalentsOf({ granules, pulp, protein: 0 }, 1), 0, 60) - viscosity(0, 0, 60);
  expect(thick(30, 30)).toBeGreaterThan(2 * (thick(30, 0) + thick(0, 30)));
  expect(thick(30, 30)).toBeCloseTo(70 * (30 / 45 + (30 / 45) ** (2.5 / 3)) ** 3, 6);
});

test('a flow test’s miss is laid to the dose by the power there is', () => {
  expect(steepnessOf({ ...alone, granules: 20 }, 1)).toBe(1);
  expect(steepnessOf({ ...alone, pulp: 20 }, 1)).toBeCloseTo(2.5 / 3, 9);
  const at = { granules: 20, pulp: 40, protein: 0 };
  const slope =
    Math.log(equivalentsOf({ ...at, granules: 20.2, pulp: 40.4 }, 1) / equivalentsOf(at, 1)) / Math.log(1.01);
  expect(slope).toBeCloseTo(steepnessOf(at, 1), 3);
});

describe('melted dairy', () => {
  /** mPa·s in the bowl of a soup of flour `e`, with mL a litre of swollen protein. */
  const bowl = (e: number, protein: number) =>
    viscosity(equivalentsOf({ granules: e, pulp: 0, protein }, 1), 0, BOWL_CELSIUS);

  test('a cup of sour cream in two litres is felt, not tripled', () => {
    // 240 g, 0.35 mL of swollen protein a gram.
    const felt = bowl(50, (240 * 0.35) / 2) / bowl(50, 0);
    expect(felt).toBeGreaterThan(1.05);
    expect(felt).toBeLessThan(1.3);
  });

  test('150 g/L of cheddar makes it about half as thick again by its casein', () => {
    const felt = bowl(50, 150 * 1.1) / bowl(50, 0);
    expect(felt).toBeGreaterThan(1.4);
    expect(felt).toBeLessThan(1.8);
  });

  test('protein multiplies: as much in a thin soup as in a thick one', () => {
    expect(bowl(20, 100) / bowl(20, 0)).toBeCloseTo(bowl(90, 100) / bowl(90, 0), 6);
    expect(proteinFactor(0)).toBe(1);
    expect(proteinFactor(0.1)).toBeCloseTo(1.31, 2);
    expect(() => proteinFactor(-0.1)).toThrow(/protein fraction/);
  });
});

test('what a target wants of flour is what it measures as', () => {
  expect(equivalentsOf({ ...alone, granules: equivalentsFor(153, 0) }, 1)).toBeCloseTo(
    equivalentsFor(153, 0),
    6,
  );
});
