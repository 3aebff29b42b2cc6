import { message } from '../../../message/message';
import { minutesIfAny, pieces, type StepForm } from '../form';

export const form: StepForm<'strain'> = {
  asks: [
    {
      as: 'number',
      key: 'keeps',
      words: message('Share of liquid lost with it, 0 to 1'),
      unit: '',
      optional: true,
    },
    minutesIfAny,
    pieces,
  ],
  fresh: { kind: 'strain' },
};
