import { shifted } from '../../batch/follow/filter';
import { bandOf, openRangeOf } from '../../flow/bands';
import { quantile } from '../../maths/quantile';
import { normals, seeded } from '../../maths/random';
import { type Factor, type Kitchen, spreadOf } from '../../pot/kitchen';
import type { Pot } from '../../pot/pot';
import type { Step } from '../../pot/step';
import type { Measured } from '../measured';
import { toThePass } from './pass';

const SAMPLES = 2000;
const SEED = 11;

/** One direction the truth may lie in: the pot or the kitchen one standard deviation that way. */
type Doubt = (z: number) => { readonly pot: Pot; readonly kitchen: Kitchen };

function doubtsOf(measured: Measured, hangsOn: Factor, boils: boolean): readonly Doubt[] {
  const still = { heat: 0, water: 0, thickness: 0, softness: 0 };
  const factor =
    (f: Factor): Doubt =>
    (z) => {
      // A pot or burner a water test has measured is doubted by that test's error.
      const spread = spreadOf(f, {
        vessel: measured.pot.vessel,
        burner: measured.pot.burner,
        kitchen: measured.kitchen,
      });
      const by = measured.kitchen.factors[f] * Math.exp(z * spread);
      return {
        pot: measured.pot,
        kitchen: { ...measured.kitchen, factors: { ...measured.kitchen.factors, [f]: by } },
      };
    };
  return [
    (z) => ({
      pot: shifted(measured.pot, { ...still, thickness: z * measured.doubt.thickness }),
      kitchen: measured.kitchen,
    }),
    (z) => ({
      pot: shifted(measured.pot, { ...still, water: z * measured.doubt.water }),
      kitchen: measured.kitchen,
    }),
    factor(hangsOn),
    ...(boils && hangsOn !== 'waterLoss' ? [factor('waterLoss')] : []),
  ];
}

/**
 * Where 2000 such pots would land with these steps: each doubt is cooked one standard deviation either way,
 * and the samples are drawn on the parabola through the three.
 */
export function landing(measured: Measured, steps: readonly Step[], hangsOn: Factor, at: number) {
  const y0 = Math.log(at);
  const doubts = doubtsOf(
    measured,
    hangsOn,
    steps.some((s) => s.kind === 'reduce'),
  );
  const bends = doubts.map((doubt) => {
    const y = (z: number): number => {
      const { pot, kitchen } = doubt(z);
      return Math.log(toThePass(measured, steps, pot, kitchen).seen.bowlViscosity);
    };
    const [up, down] = [y(1), y(-1)];
    return { slope: (up - down) / 2, bend: (up + down) / 2 - y0 };
  });
  const normal = normals(seeded(SEED));
  const band = bandOf(measured.target, measured.kitchen.bandLimits);
  const [low, high] = openRangeOf(band, measured.kitchen.bandLimits);
  const [from, to] = [Math.log(low), Math.log(high)];
  const samples = new Float64Array(SAMPLES);
  let inside = 0;
  for (let n = 0; n < SAMPLES; n++) {
    let y = y0;
    for (const { slope, bend } of bends) {
      const z = normal();
      y += slope * z + bend * (z * z);
    }
    samples[n] = y;
    if (y >= from && y < to) inside++;
  }
  samples.sort();
  const share = (of: number): number => Math.exp(quantile(samples, of));
  // What is left after a flow test in between: the test's own error, and the rest of the dose's.
  const left = Math.hypot(CHECKED, ...bends.slice(2).map((b) => b.slope / 3));
  return { bracket: [share(0.1), share(0.9)] as const, chance: inside / SAMPLES, left, band };
}

/** Standard deviation of ln(viscosity) after a flow test by the house funnel, twice. Our assumption. */
const CHECKED = 0.08;
