import { demoBatch } from '../../../../demo/batch';
import { observe } from '../../pot/observe';
import type { Pot } from '../../pot/pot';
import type { Step } from '../../pot/step';
import type { Measured } from '../measured';
import { landing } from './landing';
import { toThePass } from './pass';

const { plan, batch } = demoBatch('smoked-parsnip-veloute', {
  litres: 8,
  pot: 'middle-28',
  burner: 'front-right',
});
const kitchen = plan.setup.kitchen;
const measured = (pot: Pot, doubt = { thickness: 0.1, water: 0.02 }): Measured => ({
  pot,
  kitchen,
  still: [],
  target: 153,
  owedMl: batch.plan.litres * 1000,
  doubt,
  holds: [],
  contains: [],
});
const soup = plan.solved.run.pot;
const at = observe(soup, kitchen).bowlViscosity;

test('eight in ten lie in the bracket: of a doubt of 0.1 in thickening, 1.28 of its thrice in viscosity either way', () => {
  const { bracket } = landing(measured(soup, { thickness: 0.1, water: 0.0001 }), [], 'measuring', at);
  const half = Math.log(bracket[1] / bracket[0]) / 2;
  // Between 2.5, were all of it pulp, and 3, were all of it flour.
  expect(half).toBeGreaterThan(1.2816 * 0.1 * 2.4);
  expect(half).toBeLessThan(1.2816 * 0.1 * 3.05);
});

test('the parabola bends as the pot does: up, where thicker costs more than thinner saves', () => {
  const lean = (thickness: number): number => {
    const { bracket } = landing(measured(soup, { thickness, water: 0.0001 }), [], 'measuring', at);
    return Math.log(bracket[1] / at) - Math.log(at / bracket[0]);
  };
  // The serum does not thin with the dose: below it runs out. What the draws themselves lean to grows with the
  // doubt, the bend with its square.
  const bent = lean(1.2) - 12 * lean(0.1);
  expect(bent).toBeGreaterThan(0.2);
  expect(bent).toBeLessThan(0.3);
});

test('a pot whose loss was tested is doubted by the test, not by the model', () => {
  const steps: readonly Step[] = [{ kind: 'simmer', minutes: 30, lid: 'off' }];
  const spread = (pot: Pot): number => {
    const m = measured(pot, { thickness: 0.0001, water: 0.0001 });
    const { bracket } = landing(m, steps, 'waterLoss', toThePass(m, steps).seen.bowlViscosity);
    return Math.log(bracket[1] / bracket[0]);
  };
  const tested: Pot = { ...soup, vessel: { ...soup.vessel, lossFactor: 1 } };
  // 0.08 instead of 0.25.
  expect(spread(tested) / spread(soup)).toBeGreaterThan(0.28);
  expect(spread(tested) / spread(soup)).toBeLessThan(0.36);
});
