import { message } from '../../../message/message';
import { LID } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'simmer'> = {
  ...USUAL,
  verb: message('Simmer'),
  what: message('for minutes, or until tender'),
  timed: true,
  catches: true,
  level: message('simmered'),
  title: (step) => (step.untilTender ? message('Simmer until tender') : message('Simmer')),
  how: (step) => [message('at least {minutes} min, {lid}', { minutes: step.minutes, lid: LID[step.lid] })],
  why: (step) =>
    step.lid === 'on'
      ? message('The lid keeps the water the plan counts on.')
      : message('Open, it gives off the water the plan counts on.'),
};
