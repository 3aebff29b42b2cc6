import { message } from '../../../message/message';
import { LID } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'hold'> = {
  ...USUAL,
  verb: message('Hold'),
  what: message('hot, for service'),
  timed: true,
  late: true,
  title: (step) => message('Hold at {at}', { at: { celsius: step.at } }),
  how: (step) => [message('{minutes} min, {lid}', { minutes: step.minutes, lid: LID[step.lid] })],
};
