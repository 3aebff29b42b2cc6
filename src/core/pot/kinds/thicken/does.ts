import { simmersAt } from '../../cook';
import { thicken } from '../../steps/thicken';
import { cooked, type Does, guarded } from '../outcome';

export const does: Does<'thicken'> = (pot, step, kitchen, until) => {
  const thick = thicken(pot, step, kitchen, until);
  return guarded(cooked(thick, simmersAt(kitchen), thick.left), kitchen);
};
