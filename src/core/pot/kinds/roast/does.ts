import { sampleOf } from '../../cook';
import { inLots, timesEach } from '../../pans/lots';
import { roasted } from '../../steps/roast';
import { type Does, nothing } from '../outcome';

export const does: Does<'roast'> = (pot, step, kitchen, until) => {
  const lots = step.loads ?? 1;
  const one = { ...step, items: timesEach(step.items, 1 / lots) };
  const now = inLots(pot, lots, until, (p, end) => roasted(p, one, kitchen, end));
  // Of what is left each load has its share.
  const minutes = Math.max(0, step.minutes - (now.seconds - pot.seconds) / 60 / lots);
  const left = minutes > 1e-6 ? { ...step, items: nothing(step.items), minutes } : null;
  return { pot: now, trace: [sampleOf(now)], notes: [], left, wait: 0 };
};
