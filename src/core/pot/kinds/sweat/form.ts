import { message } from '../../../message/message';
import { lidIfAny, minutes, plain, type StepForm } from '../form';

export const form: StepForm<'sweat'> = {
  asks: [
    minutes,
    { as: 'choice', key: 'to', words: message('Until'), options: plain(['translucent', 'gold']) },
    { as: 'tick', key: 'layer', words: message('In one layer, in lots if need be') },
    lidIfAny,
  ],
  holds: 'items',
  fresh: {
    kind: 'sweat',
    items: [
      { ingredient: 'butter', amount: '60 g' },
      { ingredient: 'onion', amount: '300 g', cut: { shape: 'cube', edgeMm: 6 } },
    ],
    minutes: 8,
    to: 'translucent',
  },
};
