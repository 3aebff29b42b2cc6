import { message } from '../../../message/message';
import { minutesIfAny, pieces, type StepForm } from '../form';

export const form: StepForm<'pour'> = {
  asks: [
    { as: 'pan', key: 'from', words: message('Out of') },
    {
      as: 'choice',
      key: 'takes',
      words: message('What'),
      options: [
        { value: 'all', words: message('all that is in it') },
        { value: 'liquid', words: message('what flows, through a sieve') },
        { value: 'pieces', words: message('the pieces, with a spoon') },
        { value: 'fat', words: message('the fat') },
      ],
    },
    {
      as: 'number',
      key: 'share',
      words: message('Share of it, 0.01 to 1'),
      unit: '',
      optional: true,
      empty: message('all of it'),
    },
    { as: 'tick', key: 'gradually', words: message('Gradually, whisking') },
    minutesIfAny,
    pieces,
  ],
  fresh: { kind: 'pour', takes: 'all' },
};
