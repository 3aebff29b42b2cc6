import { message } from '../../../message/message';
import { LID } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'rest'> = {
  ...USUAL,
  verb: message('Rest'),
  what: message('off the fire'),
  timed: true,
  late: true,
  title: () => message('Rest off the heat'),
  how: (step) => [message('{minutes} min, {lid}', { minutes: step.minutes, lid: LID[step.lid] })],
};
