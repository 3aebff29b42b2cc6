import { sampleOf } from '../../cook';
import { chill } from '../../steps/keep';
import type { Does } from '../outcome';

export const does: Does<'chill'> = (pot, step, _kitchen, until) => {
  const chilled = chill(pot, step, until);
  return {
    pot: chilled.pot,
    trace: [sampleOf(chilled.pot)],
    notes: chilled.stalled ? [{ kind: 'cannot-chill', to: step.to }] : [],
    left: chilled.cut ? step : null,
    wait: 0,
  };
};
