import { message } from '../../../message/message';
import { listed } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'temper'> = {
  ...USUAL,
  verb: message('Temper'),
  what: message('dairy or a liaison, warmed by ladles'),
  attended: true,
  madeReady: true,
  level: 'items',
  title: (step) => message('Temper in the {listed}', { listed: listed(step.items) }),
  how: (step) => [
    message('ladles of soup until it is {warm}, then back; no hotter than {most}', {
      warm: { celsius: step.warmTo },
      most: { celsius: step.to },
    }),
  ],
  why: () => message('Warmed by ladles it cannot curdle; hotter than that the yolk scrambles.'),
};
