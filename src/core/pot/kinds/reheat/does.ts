import { reheat as reheated } from '../../steps/keep';
import { cooked, type Does, guarded } from '../outcome';

export const does: Does<'reheat'> = (pot, step, kitchen, until) =>
  guarded(cooked(reheated(pot, step, kitchen, until), step.to, step), kitchen);
