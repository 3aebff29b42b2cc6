import { poach } from '../../steps/keep';
import { cooked, type Does, guarded, minutesLeft, nothing } from '../outcome';

export const does: Does<'poach'> = (pot, step, kitchen, until) => {
  const poached = poach(pot, step, kitchen, until);
  const later = { ...step, items: nothing(step.items) };
  const { minutes } = step;
  const left = minutes === undefined ? later : minutesLeft({ ...later, minutes }, pot, poached);
  return guarded(cooked(poached, step.at, left), kitchen);
};
