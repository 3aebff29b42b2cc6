import { boilsAt } from '../../cook';
import { reduce, reduceLeft } from '../../steps/reduce';
import { cooked, type Does, guarded } from '../outcome';

export const does: Does<'reduce'> = (pot, step, kitchen, until) => {
  const down = reduce(pot, step, kitchen, until);
  return guarded(cooked(down, boilsAt(kitchen), reduceLeft(pot, down.pot, step)), kitchen);
};
