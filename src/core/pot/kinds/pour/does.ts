import { minutesOfPour } from '../../pans/pouring';
import { type Does, done } from '../outcome';

/**
 * What pouring does to one pan alone: its minutes pass. What goes where is known of the pans together
 * (`pot/pans/together`).
 */
export const does: Does<'pour'> = (pot, step, _kitchen, until) =>
  done({ ...pot, seconds: pot.seconds + minutesOfPour(pot, step) * 60 }, until);
