import { message } from '../../../message/message';
import { besides, listed } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'add'> = {
  ...USUAL,
  verb: message('Add'),
  what: message('anything into the pot'),
  attended: true,
  needsLiquid: false,
  madeReady: true,
  level: 'items',
  title: (step) =>
    message('{gradually, select, yes {Whisk in} other {Add}} the {listed}', {
      gradually: step.gradually ? 'yes' : 'no',
      listed: listed(step.items),
    }),
  how: (step) => [
    ...besides(step),
    ...(step.gradually ? [message('a little first, whisk smooth, then the rest in pours')] : []),
    ...(step.minutes ? [message('over {minutes} min', { minutes: step.minutes })] : []),
  ],
  why: (step) => (step.gradually ? message('Flour that meets the boil all at once sets into lumps.') : null),
};
