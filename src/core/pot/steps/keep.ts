import { totalOf } from '../../food/composition';
import { heatHeldBy, mixtureConductivity } from '../../food/thermal';
import { type Cooling, coolingTemperature, coolingTime } from '../../heat/cooling';
import { centreTemperature, startLag } from '../../heat/softening';
import { heatCapacity, metalCapacity, putAllIn, volumeMl } from '../contents';
import { type CookOutcome, cook, DONE_CELSIUS, heatTo } from '../cook';
import type { Kitchen } from '../kitchen';
import { OFF_THE_HEAT, type Pot, potCelsius } from '../pot';
import type { StepOf } from '../step';
import { standing } from './fire/standing';

/** Off the heat. */
export const rest = (pot: Pot, step: StepOf<'rest'>, kitchen: Kitchen, until: number): CookOutcome =>
  cook(pot, { flame: 0, lid: step.lid }, kitchen, { forSeconds: step.minutes * 60, until });

/** Kept hot for service. */
export const hold = (pot: Pot, step: StepOf<'hold'>, kitchen: Kitchen, until: number): CookOutcome =>
  cook(pot, { flame: 1, lid: step.lid, hold: step.at }, kitchen, { forSeconds: step.minutes * 60, until });

/** Brought back to its temperature, °C, for at most `until` s. */
export const reheat = (pot: Pot, step: StepOf<'reheat'>, kitchen: Kitchen, until: number): CookOutcome =>
  heatTo(pot, step.to, step, kitchen, until);

/** Seconds to put late proteins in. Common practice, no source. */
const PUT_IN_SECONDS = 30;

/** Late proteins: in cold, back to `at` °C, until the centre of the slowest is done. */
export function poach(pot: Pot, step: StepOf<'poach'>, kitchen: Kitchen, until: number): CookOutcome {
  // Also those put in before, when the step was looked at part way and goes on.
  const late = (p: Pot) =>
    p.pieces.filter((piece) => step.items.some((i) => i.ingredient === piece.ingredient));
  const coldest = (p: Pot): number =>
    late(p).reduce(
      (least, piece) => Math.min(least, centreTemperature(piece.lag, piece.cut, p.celsius)),
      Number.POSITIVE_INFINITY,
    );
  // Counted from when the last of them is in.
  const seconds = step.items.some((i) => i.amount > 0) ? PUT_IN_SECONDS : 0;
  const { pot: stood } = standing(pot, seconds, false, kitchen, until);
  const start = putAllIn(stood, step.items, kitchen);
  const fire = { flame: 0.5, lid: step.lid, hold: step.at };
  const done = cook(start, fire, kitchen, {
    progress: (p) => (late(p).length === 0 ? 0 : coldest(p) - DONE_CELSIUS),
    until,
  });
  const least = (step.minutes ?? 0) * 60 - (done.pot.seconds - start.seconds);
  if (done.cut || least <= 0) return done;
  const longer = cook(done.pot, fire, kitchen, { forSeconds: least, until });
  return { ...longer, trace: [...done.trace, ...longer.trace], stalled: done.stalled };
}

/** The soup as a body that cools: what cooling needs to know of it. */
export function coolingOf(pot: Pot, step: Pick<StepOf<'chill'>, 'method' | 'depthMm'>): Cooling {
  const ml = volumeMl(pot);
  const metal = metalCapacity(pot);
  const known = totalOf(pot.liquid) > 0;
  return {
    ...step,
    heatPerMl: ml > 0 ? (heatCapacity(pot) - metal) / ml : heatHeldBy({ ...pot.liquid, water: 1 }, 20),
    conductivity: known ? mixtureConductivity(pot.liquid, 30) : 0.6,
  };
}

/** Put by: as cold as where it is kept, and no time of the plan's. What freezes stands as slush here. */
export function keep(pot: Pot, step: StepOf<'keep'>): Pot {
  const celsius = potCelsius(step.at);
  const pieces = pot.pieces.map((p) => ({ ...p, lag: startLag(p.cut, celsius, celsius) }));
  return { ...pot, celsius, pieces, lid: 'on', fire: OFF_THE_HEAT };
}

/** Cooled to `to` °C in pans; where the method never gets there the pot stays as it is and the step stalls. */
export function chill(pot: Pot, step: StepOf<'chill'>, until: number): CookOutcome {
  const cooling = coolingOf(pot, step);
  const whole = coolingTime(cooling, pot.celsius, step.to);
  if (!Number.isFinite(whole)) return { pot, trace: [], stalled: true, cut: false };
  const cut = until < pot.seconds + whole;
  const seconds = cut ? Math.max(0, until - pot.seconds) : whole;
  const celsius = cut ? coolingTemperature(cooling, pot.celsius, seconds) : Math.min(pot.celsius, step.to);
  const pieces = pot.pieces.map((p) => ({ ...p, lag: startLag(p.cut, celsius, celsius) }));
  return {
    pot: { ...pot, celsius, pieces, seconds: pot.seconds + seconds, lid: 'off', fire: OFF_THE_HEAT },
    trace: [],
    stalled: false,
    cut,
  };
}
