import { minutesOfStrain, pourThrough } from '../../steps/strain';
import { type Does, timed } from '../outcome';

export const does: Does<'strain'> = (pot, step, kitchen, until) =>
  timed(pot, { ...step, minutes: minutesOfStrain(pot, step) }, (s) => pourThrough(pot, s, kitchen, until));
