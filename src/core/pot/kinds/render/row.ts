import { message } from '../../../message/message';
import { listed } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'render'> = {
  ...USUAL,
  verb: message('Render'),
  what: message('fat out of bacon or sausage'),
  attended: true,
  needsLiquid: false,
  title: (step) => message('Render the {listed}', { listed: listed(step.items) }),
  how: (step) => [
    step.keep >= 0.995
      ? message('keep the fat')
      : message('keep {keep} % of the fat, pour the rest into a tin', { keep: Math.round(step.keep * 100) }),
  ],
};
