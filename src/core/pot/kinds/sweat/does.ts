import { sampleOf } from '../../cook';
import { inLots, timesEach } from '../../pans/lots';
import { sweat as sweated } from '../../steps/sweat';
import { type Does, nothing, panned } from '../outcome';

export const does: Does<'sweat'> = (pot, step, kitchen, until) => {
  const lots = step.lots ?? 1;
  if (lots === 1)
    return panned(pot, sweated(pot, step, kitchen, until), { ...step, items: nothing(step.items) });
  const one = { ...step, items: timesEach(step.items, 1 / lots) };
  const now = inLots(pot, lots, until, (p, end) => sweated(p, one, kitchen, end));
  // Of what is left each lot has its share.
  const minutes = Math.max(0, step.minutes - (now.seconds - pot.seconds) / 60 / lots);
  const left = minutes > 1e-6 ? { ...step, items: nothing(step.items), minutes } : null;
  return { pot: now, trace: [sampleOf(now)], notes: [], left, wait: 0 };
};
