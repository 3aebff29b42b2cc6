import { roux as cookedRoux } from '../../steps/flour';
import { type Does, done } from '../outcome';

export const does: Does<'roux'> = (pot, step, kitchen, until) => done(cookedRoux(pot, step, kitchen), until);
