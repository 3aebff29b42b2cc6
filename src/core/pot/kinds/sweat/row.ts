import { ingredient } from '../../../food/catalogue';
import { message } from '../../../message/message';
import { listed } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'sweat'> = {
  ...USUAL,
  verb: message('Sweat'),
  what: message('vegetables in fat, to translucent or gold'),
  attended: true,
  needsLiquid: false,
  title: (step) =>
    message('Sweat the {listed}', {
      listed: listed(step.items.filter((i) => ingredient(i.ingredient).group !== 'fat')),
    }),
  how: (step) => [
    message('until {to, select, gold {gold at the edges} other {translucent}}', { to: step.to }),
    ...(step.lots && step.lots > 1
      ? [
          message('in {lots} lots, one layer and {minutes} min each', {
            lots: step.lots,
            minutes: step.minutes,
          }),
        ]
      : step.layer
        ? [message('in one layer')]
        : []),
  ],
};
