import { totalOf } from '../../food/composition';
import { heatHeldBy, mixtureConductivity } from '../../food/thermal';
import { type Cooling, coolingTime } from '../../heat/cooling';
import { centreTemperature, startLag } from '../../heat/softening';
import { heatCapacity, metalCapacity, putAllIn, volumeMl } from '../contents';
import { type Cooked, cook, DONE_CELSIUS, heatTo } from '../cook';
import type { Kitchen } from '../kitchen';
import type { Pot } from '../pot';
import type { Step } from '../step';

type Of<K extends Step['kind']> = Extract<Step, { kind: K }>;

/** Off the heat. */
export const rest = (pot: Pot, step: Of<'rest'>, kitchen: Kitchen): Cooked =>
  cook(pot, { flame: 0, lid: step.lid }, kitchen, { forSeconds: step.minutes * 60 });

/** Kept hot for service. */
export const hold = (pot: Pot, step: Of<'hold'>, kitchen: Kitchen): Cooked =>
  cook(pot, { flame: 1, lid: step.lid, hold: step.at }, kitchen, { forSeconds: step.minutes * 60 });

export const reheat = (pot: Pot, step: Of<'reheat'>, kitchen: Kitchen): Cooked =>
  heatTo(pot, step.to, step, kitchen);

/** Late proteins: in cold, back to `at` °C, until the centre of the slowest is done. */
export function poach(pot: Pot, step: Of<'poach'>, kitchen: Kitchen): Cooked {
  const filled = putAllIn(pot, step.items, kitchen);
  const late = (p: Pot) => p.pieces.slice(pot.pieces.length);
  const coldest = (p: Pot): number =>
    late(p).reduce(
      (least, piece) => Math.min(least, centreTemperature(piece.lag, piece.cut, p.celsius)),
      Number.POSITIVE_INFINITY,
    );
  return cook(
    { ...filled, seconds: filled.seconds + 30 },
    { flame: 0.5, lid: step.lid, hold: step.at },
    kitchen,
    {
      progress: (p) => (late(p).length === 0 ? 0 : coldest(p) - DONE_CELSIUS),
    },
  );
}

/** The soup as a body that cools: what cooling needs to know of it. */
export function coolingOf(pot: Pot, step: Pick<Of<'chill'>, 'method' | 'depthMm'>): Cooling {
  const ml = volumeMl(pot);
  const metal = metalCapacity(pot);
  const known = totalOf(pot.liquid) > 0;
  return {
    ...step,
    heatPerMl: ml > 0 ? (heatCapacity(pot) - metal) / ml : heatHeldBy({ ...pot.liquid, water: 1 }, 20),
    conductivity: known ? mixtureConductivity(pot.liquid, 30) : 0.6,
  };
}

/** Cooled to `to` °C in pans; where the method never gets there the pot stays as it is and the step stalls. */
export function chill(pot: Pot, step: Of<'chill'>): Cooked {
  const seconds = coolingTime(coolingOf(pot, step), pot.celsius, step.to);
  if (!Number.isFinite(seconds)) return { pot, trace: [], stalled: true };
  const celsius = Math.min(pot.celsius, step.to);
  const pieces = pot.pieces.map((p) => ({ ...p, lag: startLag(p.cut, celsius, celsius) }));
  return {
    pot: { ...pot, celsius, pieces, seconds: pot.seconds + seconds, lid: 'off' },
    trace: [],
    stalled: false,
  };
}
