import { message } from '../../../message/message';
import { LIMITS } from '../../../safety/cautions';
import { LID, listed } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'poach'> = {
  ...USUAL,
  verb: message('Poach'),
  what: message('late proteins, to their centre'),
  madeReady: true,
  late: true,
  level: 'items',
  title: (step) => message('Poach the {listed}', { listed: listed(step.items) }),
  how: (step) => [
    step.minutes
      ? message('at {at}, {lid}, until the centre is {centre}, {minutes} min at least', {
          at: { celsius: step.at },
          lid: LID[step.lid],
          centre: { celsius: LIMITS.fish.centre },
          minutes: step.minutes,
        })
      : message('at {at}, {lid}, until the centre is {centre}', {
          at: { celsius: step.at },
          lid: LID[step.lid],
          centre: { celsius: LIMITS.fish.centre },
        }),
  ],
};
