import { viscosity } from '../src/core/flow/viscosity';
import { PUREE_STRENGTH } from '../src/core/thicken/puree';

/**
 * Tomato juice concentrate at 32 °C, power law: 5.8 % solids K 0.223 Pa·sⁿ, n 0.59; 12.8 % solids
 * K 2.10, n 0.43. Steffe (1996), appendix; from memory.
 */
const published = (k: number, n: number) => k * 50 ** (n - 1) * 1000;

/** Flour equivalents of tomato at `solids` %: the strength is for fresh tomato of 5.5 % solids, 1.02 g/mL. */
const model = (solids: number) => viscosity(PUREE_STRENGTH.tomato * 1.02 * (solids / 5.5), 0, 32);

test('blended tomato of 5.8 % solids, within 15 %', () => {
  expect(Math.abs(model(5.8) / published(0.223, 0.59) - 1)).toBeLessThan(0.15);
});

/** A known miss: pulp grows with the square of its solids, starch with the cube, so paste comes out about twice too thick. */
test('a concentrate of 12.8 % solids is overstated, by no more than 2.6 times', () => {
  const ratio = model(12.8) / published(2.1, 0.43);
  expect(ratio).toBeGreaterThan(1);
  expect(ratio).toBeLessThan(2.6);
});
