import { sweat as sweated } from '../../steps/sweat';
import { type Does, nothing, panned } from '../outcome';

export const does: Does<'sweat'> = (pot, step, kitchen, until) =>
  panned(pot, sweated(pot, step, kitchen, until), { ...step, items: nothing(step.items) });
