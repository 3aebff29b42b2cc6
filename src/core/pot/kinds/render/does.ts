import { render as rendered } from '../../steps/render';
import { type Does, done } from '../outcome';

export const does: Does<'render'> = (pot, step, kitchen, until) => done(rendered(pot, step, kitchen), until);
