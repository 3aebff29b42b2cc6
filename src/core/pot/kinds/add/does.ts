import { ingredient } from '../../../food/catalogue';
import { POURED } from '../../../food/ingredient';
import { LONGEST } from '../../cook';
import { ADD_SECONDS, type Does, filling, guarded } from '../outcome';

/** s for each kilogram that goes in, and how many times longer it takes by and by. Common practice, no source. */
const ADD_SECONDS_PER_KG = 10;
const GRADUALLY = 2;

export const does: Does<'add'> = (pot, step, kitchen, until) => {
  const kg = step.items.reduce((sum, i) => sum + i.amount, 0) / 1000;
  const seconds = (ADD_SECONDS + ADD_SECONDS_PER_KG * kg) * (step.gradually ? GRADUALLY : 1);
  const minutes = step.minutes ?? Math.min(seconds, LONGEST) / 60;
  const lid = step.lid ?? pot.lid;
  const lastPoured = step.items
    .filter((i) => POURED.has(ingredient(i.ingredient).group))
    .reduce((sum, i) => sum + i.amount, 0);
  const before = lastPoured > 0 ? { ...pot, lastPoured } : pot;
  return guarded(filling(before, { ...step, minutes }, lid, kitchen, until), kitchen);
};
