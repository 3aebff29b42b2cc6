import { ingredient } from '../../food/catalogue';
import { yolkLimit } from '../../thicken/granules';
import { putAllIn } from '../contents';
import { type Cooked, cook, heatTo } from '../cook';
import type { Kitchen } from '../kitchen';
import { observe } from '../observe';
import type { Pot } from '../pot';
import type { Step } from '../step';

/** Seconds a ladle takes to be stirred in. Common practice, no source. */
const LADLE_SECONDS = 20;

/** The liaison or dairy joins the pot warmed, so only the heat balance of the whole counts; then gently to `to`. */
export function temper(pot: Pot, step: Extract<Step, { kind: 'temper' }>, kitchen: Kitchen): Cooked {
  const joined = putAllIn(pot, step.items, kitchen);
  const yolk = step.items.some((i) => ingredient(i.ingredient).thickener === 'yolk');
  const start: Pot = {
    ...joined,
    seconds: pot.seconds + 6 * LADLE_SECONDS,
    yolkPeak: yolk ? Math.max(pot.yolkPeak, joined.celsius) : pot.yolkPeak,
  };
  const heated = heatTo(start, step.to, { flame: step.flame, lid: 'off' }, kitchen);
  const set = cook(heated.pot, { flame: step.flame, lid: 'off', hold: step.to }, kitchen, { forSeconds: 60 });
  return { pot: set.pot, trace: [...heated.trace, ...set.trace], stalled: heated.stalled };
}

/** °C the yolk in this pot must stay under, and whether it has been over. */
export function yolkState(
  pot: Pot,
  kitchen: Kitchen,
): { readonly limit: number; readonly scrambled: boolean } {
  const others = { ...pot, thickeners: pot.thickeners.filter((t) => t.kind !== 'yolk') };
  const limit = yolkLimit(observe(others, kitchen).equivalents);
  return { limit, scrambled: pot.yolkPeak > limit };
}
