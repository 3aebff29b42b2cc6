import { message } from '../../../message/message';
import { term } from '../../../message/term';
import { EQUAL_PARTS, EQUAL_PARTS_WORDS } from '../../../thicken/equalParts';
import { ROUX_COLOURS } from '../../../thicken/granules';
import { minutes, plain, type StepForm } from '../form';

export const form: StepForm<'roux'> = {
  asks: [
    {
      as: 'choice',
      key: 'rule',
      words: message('Equal parts'),
      options: EQUAL_PARTS.map((r) => ({ value: r, words: term(EQUAL_PARTS_WORDS[r]) })),
    },
    { as: 'choice', key: 'colour', words: message('Colour'), options: plain(ROUX_COLOURS) },
    minutes,
  ],
  holds: ['flour', 'fat'],
  fresh: {
    kind: 'roux',
    flour: { ingredient: 'plain-flour', amount: 'to thicken' },
    fat: { ingredient: 'butter', amount: 'to match' },
    rule: 'weight',
    colour: 'blond',
    minutes: 3,
  },
};
