import { message } from '../../message/message';
import type { Means } from '../trial/trial';

/** Two means one after the other: `amount` of the first, and as much of the second as is then wanted. */
export const joined = (first: Means, amount: number, rest: Means): Means => ({
  ...rest,
  id: `${first.id}+${rest.id}`,
  isPair: true,
  isSlurry: false,
  title: message('{first}, then {rest}', { first: first.title, rest: { within: rest.title } }),
  how: [...first.how, ...rest.how],
  steps: (dose) => [...first.steps(amount), ...rest.steps(dose)],
  needs: [...first.needs, ...rest.needs],
  makeReady: first.makeReady + rest.makeReady,
  forecloses: [...new Set([...first.forecloses, ...rest.forecloses])],
});
