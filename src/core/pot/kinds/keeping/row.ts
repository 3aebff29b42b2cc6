import { message } from '../../../message/message';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'keep'> = {
  ...USUAL,
  verb: message('Keep'),
  what: message('cold or frozen, with its date mark'),
  title: (step) =>
    message('Keep it {days, plural, one {# day} other {# days}} at {at}', {
      days: step.days,
      at: { celsius: step.at },
    }),
  how: () => [
    message('covered, labelled with what it is, the day it was made and the day it is thrown away'),
  ],
};
