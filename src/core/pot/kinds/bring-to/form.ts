import { message } from '../../../message/message';
import { flame, lid, type StepForm } from '../form';

export const form: StepForm<'bring-to'> = {
  asks: [
    {
      as: 'text',
      key: 'to',
      words: message('To'),
      hint: message('simmer, boil, or a temperature'),
      unit: '°C',
    },
    flame,
    lid,
  ],
  fresh: { kind: 'bring-to', to: 'simmer', flame: 0.8, lid: 'off' },
};
