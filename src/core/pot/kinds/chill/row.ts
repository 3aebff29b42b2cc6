import { message } from '../../../message/message';
import { term } from '../../../message/term';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'chill'> = {
  ...USUAL,
  verb: message('Chill'),
  what: message('in pans, a blast or an ice bath'),
  title: (step) => message('Chill to {at}', { at: { celsius: step.to } }),
  how: (step) => [
    step.method === 'ice bath'
      ? message('the pot in ice and water, stirred')
      : message('{method}, {depth} cm deep', { method: term(step.method), depth: step.depthMm / 10 }),
  ],
};
