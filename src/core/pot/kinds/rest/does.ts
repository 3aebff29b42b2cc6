import { rest as rested } from '../../steps/keep';
import { type Does, timed } from '../outcome';

export const does: Does<'rest'> = (pot, step, kitchen, until) =>
  timed(pot, step, (s) => rested(pot, s, kitchen, until));
