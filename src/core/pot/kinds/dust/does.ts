import { dust as dusted } from '../../steps/flour';
import { type Does, panned } from '../outcome';

export const does: Does<'dust'> = (pot, step, kitchen, until) =>
  panned(pot, dusted(pot, step, kitchen, until), { ...step, flour: { ...step.flour, amount: 0 } });
