import { message } from '../../../message/message';
import { term } from '../../../message/term';
import { METHOD_RULES } from '../../../thicken/methods';
import { shortName } from '../phrases';
import { type StepRow, USUAL } from '../row';

export const row: StepRow<'thicken'> = {
  ...USUAL,
  verb: message('Thicken'),
  what: message('slurry, kneaded butter, cooked roux, starch in cream'),
  attended: true,
  madeReady: true,
  timed: true,
  level: message('thickened'),
  title: (step) =>
    message('Thicken with {shortName}, {method}', {
      shortName: shortName(step.thickener.ingredient),
      method: term(step.method),
    }),
  how: (step) => [
    METHOD_RULES[step.method].how,
    ...((step.additions ?? 1) > 1
      ? [message('in {additions} additions, a minute apart', { additions: step.additions ?? 1 })]
      : []),
    message('then {minutes} min at the simmer', { minutes: step.minutes }),
  ],
  why: () => message('It thickens only at the simmer: judge nothing before.'),
};
