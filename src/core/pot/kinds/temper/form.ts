import { message } from '../../../message/message';
import { flame, type StepForm } from '../form';

export const form: StepForm<'temper'> = {
  asks: [
    { as: 'number', key: 'warmTo', words: message('Warm it by ladles to'), unit: '°C' },
    { as: 'number', key: 'to', words: message('Then bring to'), unit: '°C' },
    flame,
  ],
  holds: 'items',
  fresh: {
    kind: 'temper',
    items: [
      { ingredient: 'egg-yolk', amount: '100 g' },
      { ingredient: 'heavy-cream', amount: 'to match' },
    ],
    warmTo: 60,
    to: 80,
    flame: 0.3,
  },
};
