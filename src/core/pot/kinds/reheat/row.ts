import { message } from '../../../message/message';
import { flameWords, LID } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'reheat'> = {
  ...USUAL,
  verb: message('Reheat'),
  what: message('from cold'),
  title: (step) => message('Reheat to {at}', { at: { celsius: step.to } }),
  how: (step) => [message('{flame}, {lid}', { flame: flameWords(step.flame), lid: LID[step.lid] })],
};
