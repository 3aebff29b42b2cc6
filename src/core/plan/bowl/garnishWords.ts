import { type Message, message } from '../../message/message';
import type { GarnishLine } from './garnish';

/** When and how a garnish goes to the soup, and what that does to it. */
export function garnishHow(l: GarnishLine): Message {
  const values = { celsius: { celsius: l.celsius }, from: { celsius: l.from } };
  if (l.garnish.goes === 'crisp')
    return message('on top at the pass, kept dry and warm till then: in the pot it is soft in a minute');
  if (l.garnish.goes === 'on top' && l.from - l.celsius < 0.5) return message('on top at the pass');
  if (l.garnish.goes === 'on top')
    return message('on top at the pass; the bowl goes from {from} to {celsius}', values);
  if (!l.done)
    return message('stirred in off the heat at the end; the pot goes from {from} to {celsius}', values);
  return l.done.minutes === null
    ? message(
        'stirred in off the heat the pot goes to {celsius} and its centre never to {centre}: poach it at the flame, and probe the largest',
        { ...values, centre: { celsius: l.done.centre } },
      )
    : message(
        'stirred in off the heat, lid on: the pot goes to {celsius}, its centre is at {centre} after {minutes} min; probe the largest',
        { ...values, centre: { celsius: l.done.centre }, minutes: Math.max(1, Math.ceil(l.done.minutes)) },
      );
}
