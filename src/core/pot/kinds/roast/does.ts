import { roasted } from '../../steps/roast';
import { type Does, lotwise } from '../outcome';

export const does: Does<'roast'> = (pot, step, kitchen, until) =>
  lotwise(pot, step, step.loads ?? 1, until, (p, one, end) => roasted(p, one, kitchen, end));
