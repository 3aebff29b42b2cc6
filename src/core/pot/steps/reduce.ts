import { volumeAt } from '../../heat/vessel';
import { volumeMl } from '../contents';
import { type Cooked, cook } from '../cook';
import type { Kitchen } from '../kitchen';
import type { Pot } from '../pot';
import type { Step } from '../step';

/** Boiled down with the lid off: to a share of the volume, by a drop of the level, or for minutes at the flame. */
export function reduce(pot: Pot, step: Extract<Step, { kind: 'reduce' }>, kitchen: Kitchen): Cooked {
  const fire = { flame: step.flame, lid: 'off' as const };
  if ('minutes' in step.to) return cook(pot, fire, kitchen, { forSeconds: step.to.minutes * 60 });
  const start = volumeMl(pot);
  const end = 'share' in step.to ? start * step.to.share : start - volumeAt(pot.vessel, step.to.dropMm);
  // Counted as what has left, so that the liquid's swelling as it heats does not count against it.
  const wanted = Math.max(0, start - Math.max(end, start * 0.1));
  return cook(pot, fire, kitchen, { progress: (p) => p.evaporated - pot.evaporated - wanted });
}
