import { depthOf, volumeAt } from '../../heat/vessel';
import { volumeMl } from '../contents/contents';
import { type CookOutcome, cook } from '../cook';
import type { Kitchen } from '../kitchen';
import type { Pot } from '../pot';
import type { Step } from '../step';

type Reduce = Extract<Step, { kind: 'reduce' }>;

/**
 * Boiled down with the lid off: to a share of the volume or of what was poured in last, by a drop of the level, or
 * for minutes at the flame.
 */
export function reduce(pot: Pot, step: Reduce, kitchen: Kitchen, until: number): CookOutcome {
  const fire = { flame: step.flame, lid: 'off' as const };
  if ('minutes' in step.to) return cook(pot, fire, kitchen, { forSeconds: step.to.minutes * 60, until });
  const start = volumeMl(pot);
  const end =
    'share' in step.to
      ? start * step.to.share
      : 'ofLast' in step.to
        ? start - pot.lastPoured * (1 - step.to.ofLast)
        : start - volumeAt(pot.vessel, step.to.dropMm);
  // Counted as what has left, so that the liquid's swelling as it heats does not count against it.
  const wanted = Math.max(0, start - Math.max(end, start * 0.1));
  return cook(pot, fire, kitchen, { progress: (p) => p.evaporated - pot.evaporated - wanted, until });
}

/** What is left of a boiling down that began with `before` and now stands at `pot`. */
export function reduceLeft(before: Pot, pot: Pot, step: Reduce): Reduce {
  const { to } = step;
  const gone = pot.evaporated - before.evaporated;
  if ('minutes' in to)
    return { ...step, to: { minutes: Math.max(0, to.minutes - (pot.seconds - before.seconds) / 60) } };
  if ('dropMm' in to)
    return { ...step, to: { dropMm: Math.max(0.1, to.dropMm - depthOf(pot.vessel, gone)) } };
  if ('ofLast' in to) {
    const last = Math.max(1, before.lastPoured);
    return { ...step, to: { ofLast: Math.min(1, Math.max(0.1, to.ofLast + gone / last)) } };
  }
  const toGo = Math.max(0, volumeMl(before) * (1 - to.share) - gone);
  return { ...step, to: { share: Math.max(0.1, 1 - toGo / Math.max(1, volumeMl(pot))) } };
}
