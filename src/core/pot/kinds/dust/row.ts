import { message } from '../../../message/message';
import { besides, shortName } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'dust'> = {
  ...USUAL,
  verb: message('Dust'),
  what: message('flour over what was sweated'),
  attended: true,
  needsLiquid: false,
  title: (step) => message('Dust with {shortName}', { shortName: shortName(step.flour.ingredient) }),
  how: (step) => [...besides(step), message('stir it in for {minutes} min', { minutes: step.minutes })],
  why: () => message('The fat on the vegetables takes the flour up, so it cannot lump.'),
};
