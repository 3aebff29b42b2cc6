import { message } from '../../../message/message';
import { ROUX_COLOURS } from '../../../thicken/granules';
import { THICKEN_METHODS } from '../../../thickeners/row';
import { flameIfAny, lidIfAny, minutes, plain, type StepForm } from '../form';

export const form: StepForm<'thicken'> = {
  asks: [
    { as: 'choice', key: 'method', words: message('How'), options: plain(THICKEN_METHODS) },
    minutes,
    { as: 'number', key: 'additions', words: message('In so many additions'), unit: '', optional: true },
    {
      as: 'choice',
      key: 'colour',
      words: message('Roux colour'),
      options: plain(ROUX_COLOURS),
      optional: true,
    },
    flameIfAny,
    lidIfAny,
  ],
  holds: ['thickener', 'carrier'],
  fresh: {
    kind: 'thicken',
    method: 'slurry',
    thickener: { ingredient: 'cornstarch', amount: 'to thicken' },
    carrier: { ingredient: 'water', amount: 'to match', celsius: 10 },
    minutes: 2,
  },
};
