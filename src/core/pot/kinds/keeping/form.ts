import { message } from '../../../message/message';
import type { StepForm } from '../form';

export const form: StepForm<'keep'> = {
  asks: [
    { as: 'number', key: 'days', words: message('Days, the day it is made counted'), unit: '' },
    { as: 'number', key: 'at', words: message('At'), unit: '°C' },
  ],
  fresh: { kind: 'keep', days: 3, at: 3 },
};
