import { message } from '../../../message/message';
import { piecesWords } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'strain'> = {
  ...USUAL,
  verb: message('Strain'),
  what: message('pieces out'),
  attended: true,
  level: message('strained'),
  title: (step) =>
    step.of
      ? message('Lift out the {pieces}', { pieces: { and: step.of.map(piecesWords) } })
      : message('Strain'),
  why: () => message('Press gently: force pushes grain through.'),
};
