import { keep as kept } from '../../steps/keep';
import { type Does, done } from '../outcome';

export const does: Does<'keep'> = (pot, step, _kitchen, until) => done(kept(pot, step), until);
