import { heatInto, WALL_LOSS } from '../src/core/heat/burner';
import { latentHeat } from '../src/core/heat/steam';
import { losingArea } from '../src/core/heat/vessel';
import { heatCapacity, putIn, volumeMl } from '../src/core/pot/contents/contents';
import { cook, steamRate } from '../src/core/pot/cook';
import { STANDARD_KITCHEN as kitchen } from '../src/core/pot/kitchen';
import { emptyPot, type Pot } from '../src/core/pot/pot';
import { hob, saucepan } from './pots';
import { reference } from './reference';

type Solver = {
  absoluteTolerance: number;
  relativeTolerance: number;
  solve(f: (t: number, y: number[]) => number[], from: number, y: number[], to: number): { y: number[] };
};
const { Solver } = reference<{ Solver: new (n: number) => Solver }>('odex');

/** odex: E. Hairer's extrapolation solver, as an independent integrator of the very same heat and water balance. */
const start = putIn(
  emptyPot(saucepan, hob),
  { ingredient: 'chicken-stock', amount: 3000, celsius: 20 },
  kitchen,
);

const at = (celsius: number, water: number): Pot => ({
  ...start,
  celsius,
  liquid: { ...start.liquid, water },
});

/** d(temperature, water)/dt under a full flame below the boil. */
function rates(flame: number, y: readonly number[]): [number, number] {
  const pot = at(y[0] ?? 0, y[1] ?? 0);
  const steam = steamRate(pot, 'off', kitchen);
  const wall = WALL_LOSS * losingArea(pot.vessel, volumeMl(pot)) * (pot.celsius - kitchen.airCelsius);
  return [(heatInto(pot.burner, flame) - wall - steam * latentHeat(pot.celsius)) / heatCapacity(pot), -steam];
}

test.each([
  [0.8, 600],
  [0.8, 1020],
  [0.4, 1800],
  [0, 2400],
])('flame %d for %d s: temperature and water within 0.5 %%', (flame, seconds) => {
  const from = flame === 0 ? { ...start, celsius: 92 } : start;
  const solver = new Solver(2);
  solver.absoluteTolerance = 1e-8;
  solver.relativeTolerance = 1e-8;
  const { y } = solver.solve(
    (_t: number, state: number[]) => rates(flame, state),
    0,
    [from.celsius, from.liquid.water],
    seconds,
  );
  const ours = cook(from, { flame, lid: 'off' }, kitchen, { forSeconds: seconds }).pot;
  expect(y[0]).toBeLessThan(99.9);
  expect(Math.abs(ours.celsius / (y[0] ?? 0) - 1)).toBeLessThan(0.005);
  expect(Math.abs(ours.liquid.water / (y[1] ?? 0) - 1)).toBeLessThan(0.005);
  // The loss itself, not only what is left of the pot.
  const lost = from.liquid.water - (y[1] ?? 0);
  expect(Math.abs(ours.evaporated / lost - 1)).toBeLessThan(0.02);
});
