import { totalOf } from '../../food/composition';
import { heatHeldBy, mixtureConductivity } from '../../food/thermal';
import { type Cooling, cooled, METHOD_CELSIUS, PAN_FILL, STIRRED_IN_ICE } from '../../heat/cool/body';
import { type Point, secondsTo, warmestAt } from '../../heat/cool/course';
import { centreTemperature, startLag } from '../../heat/softening';
import { rimVolume } from '../../heat/vessel';
import { heatCapacity, metalCapacity, putAllIn, volumeMl } from '../contents/contents';
import { type CookOutcome, cook, DONE_CELSIUS, heatTo } from '../cook';
import type { Kitchen } from '../kitchen';
import { consistency } from '../observe';
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

/** s it is followed for at first, and beyond which nobody waits for a pot to cool. */
const FIRST_LOOK = 12 * 3600;
const LONGEST = 7 * 86_400;

/** mL that are cooled as one at the most. */
const MOST_ML = 600_000;

/** A full pan, mm: what a recipe’s “so deep” is poured into, as many as it takes. */
const FULL_PAN = { lengthMm: 510, widthMm: 305 } as const;

/** A pot that is cooled as a recipe says: in pans so deep, or as it is in ice and stirred; by the same model as what is kept. */
export function coolingOf(pot: Pot, step: Pick<StepOf<'chill'>, 'method' | 'depthMm'>): Cooling {
  const iced = step.method === 'ice bath';
  const most = iced ? rimVolume(pot.vessel) : MOST_ML;
  const has = Math.max(1, volumeMl(pot));
  const ml = Math.min(most, has);
  const known = totalOf(pot.liquid) > 0;
  const { lengthMm, widthMm } = FULL_PAN;
  return {
    soup: {
      ml,
      heatPerMl: known
        ? (heatCapacity(pot) - metalCapacity(pot)) / has
        : heatHeldBy({ ...pot.liquid, water: 1 }, 20),
      conductivity: known ? mixtureConductivity(pot.liquid, 30) : 0.6,
      viscosity: consistency(pot).bowlViscosity,
    },
    holder: iced
      ? { kind: 'pot', vessel: pot.vessel }
      : {
          kind: 'pans',
          pan: { ...FULL_PAN, depthMm: step.depthMm / PAN_FILL },
          count: (ml * 1000) / (lengthMm * widthMm * step.depthMm),
        },
    place: { kind: step.method, celsius: METHOD_CELSIUS[step.method] },
    lid: false,
    stirEvery: iced ? STIRRED_IN_ICE : undefined,
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
  let points: readonly Point[] = [];
  let whole = Number.POSITIVE_INFINITY;
  // Most are cold within a night; what is not is followed for as long as anybody waits.
  for (const seconds of cooling.place.celsius < step.to ? [FIRST_LOOK, LONGEST] : []) {
    points = cooled(cooling, Math.max(pot.celsius, step.to), seconds);
    whole = secondsTo(points, step.to);
    if (Number.isFinite(whole)) break;
  }
  if (!Number.isFinite(whole)) return { pot, trace: [], stalled: true, cut: false };
  const cut = until < pot.seconds + whole;
  const seconds = cut ? Math.max(0, until - pot.seconds) : whole;
  const celsius = cut ? Math.min(pot.celsius, warmestAt(points, seconds)) : Math.min(pot.celsius, step.to);
  const pieces = pot.pieces.map((p) => ({ ...p, lag: startLag(p.cut, celsius, celsius) }));
  return {
    pot: { ...pot, celsius, pieces, seconds: pot.seconds + seconds, lid: 'off', fire: OFF_THE_HEAT },
    trace: [],
    stalled: false,
    cut,
  };
}
