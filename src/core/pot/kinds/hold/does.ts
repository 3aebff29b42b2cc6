import { hold } from '../../steps/keep';
import { cooked, type Does, guarded, minutesLeft } from '../outcome';

export const does: Does<'hold'> = (pot, step, kitchen, until) => {
  const held = hold(pot, step, kitchen, until);
  return guarded(cooked(held, step.at, minutesLeft(step, pot, held)), kitchen);
};
