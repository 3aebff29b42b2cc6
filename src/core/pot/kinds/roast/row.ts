import { ingredient } from '../../../food/catalogue';
import { message } from '../../../message/message';
import { listed } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'roast'> = {
  ...USUAL,
  verb: message('Roast'),
  what: message('vegetables or shells on a tray in the oven'),
  needsLiquid: false,
  madeReady: true,
  timed: true,
  title: (step) =>
    message('Roast the {listed}', {
      listed: listed(step.items.filter((i) => ingredient(i.ingredient).group !== 'fat')),
    }),
  how: (step) => [
    message('in the oven at {at}, in one layer, turned once', { at: { celsius: step.at } }),
    ...(step.loads && step.loads > 1
      ? [message('in {loads} loads, {minutes} min each', { loads: step.loads, minutes: step.minutes })]
      : []),
  ],
  why: () => message('Dry heat browns what steam cannot: crowded, it stews.'),
};
