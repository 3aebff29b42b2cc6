import { message } from '../../../message/message';
import { minutes, type StepForm } from '../form';

export const form: StepForm<'roast'> = {
  asks: [{ as: 'number', key: 'at', words: message('Oven'), unit: '°C' }, minutes],
  holds: 'items',
  fresh: {
    kind: 'roast',
    items: [
      { ingredient: 'sunflower-oil', amount: '30 g' },
      { ingredient: 'carrot', amount: '1 kg', cut: { shape: 'cube', edgeMm: 25 } },
    ],
    at: 200,
    minutes: 35,
  },
};
