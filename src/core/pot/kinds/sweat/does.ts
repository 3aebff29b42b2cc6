import { sweat as sweated } from '../../steps/sweat';
import { type Does, lotwise, nothing, panned } from '../outcome';

export const does: Does<'sweat'> = (pot, step, kitchen, until) =>
  step.lots && step.lots > 1
    ? lotwise(pot, step, step.lots, until, (p, one, end) => sweated(p, one, kitchen, end))
    : panned(pot, sweated(pot, step, kitchen, until), { ...step, items: nothing(step.items) });
