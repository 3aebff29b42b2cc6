import { message } from '../../../message/message';
import { flameWords } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'reduce'> = {
  ...USUAL,
  verb: message('Reduce'),
  what: message('boil down, by share, level or minutes'),
  timed: true,
  level: message('reduced'),
  title: (step) => {
    if ('minutes' in step.to) return message('Boil down for {minutes} min', { minutes: step.to.minutes });
    if ('share' in step.to)
      return message('Boil down to {share} %', { share: Math.round(step.to.share * 100) });
    if ('ofLast' in step.to)
      return message('Boil what was poured down to {share} %', {
        share: Math.round(step.to.ofLast * 100),
      });
    return message('Boil down {dropMm} mm on the wall', { dropMm: step.to.dropMm });
  },
  how: (step) => [message('{flame}, lid off', { flame: flameWords(step.flame) })],
};
