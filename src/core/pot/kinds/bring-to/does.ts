import { boilsAt, coolTo, heatTo, simmersAt } from '../../cook';
import { cooked, type Does, guarded } from '../outcome';
import { coolsTo } from './cools';

export const does: Does<'bring-to'> = (pot, step, kitchen, until) => {
  const boils = boilsAt(kitchen);
  const wanted =
    step.to === 'simmer' ? simmersAt(kitchen) : step.to === 'boil' ? boils : Math.min(step.to, boils);
  const there = coolsTo(step, pot.celsius)
    ? coolTo(pot, wanted, step.lid, kitchen, until)
    : heatTo(pot, wanted, step, kitchen, until);
  return guarded(cooked(there, wanted, step), kitchen);
};
