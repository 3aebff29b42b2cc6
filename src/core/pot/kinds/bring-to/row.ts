import { message } from '../../../message/message';
import { term } from '../../../message/term';
import { flameWords, LID } from '../phrases';
import { type StepRow, USUAL } from '../row';
import { coolsTo } from './cools';

export const row: StepRow<'bring-to'> = {
  ...USUAL,
  verb: message('Heat up'),
  what: message('the simmer, the boil or a temperature'),
  catches: true,
  title: (step, from) =>
    from !== undefined && coolsTo(step, from)
      ? message('Let it cool to {at}', { at: { celsius: Number(step.to) } })
      : typeof step.to === 'number'
        ? message('Bring to {at}', { at: { celsius: step.to } })
        : message('Bring to the {to}', { to: term(step.to) }),
  how: (step, from) => [
    from !== undefined && coolsTo(step, from)
      ? message('off the flame, {lid}, stirred now and then', { lid: LID[step.lid] })
      : message('{flame}, {lid}', { flame: flameWords(step.flame), lid: LID[step.lid] }),
  ],
  why: (step) =>
    typeof step.to === 'number'
      ? message('Cream and milk split at the boil, more so with acid or salt.')
      : message('Starch thickens fully only at the simmer: judge nothing before.'),
};
