import { message } from '../../../message/message';
import { lid, minutes, type StepForm } from '../form';

export const form: StepForm<'hold'> = {
  asks: [minutes, { as: 'number', key: 'at', words: message('At'), unit: '°C' }, lid],
  fresh: { kind: 'hold', minutes: 60, at: 75, lid: 'on' },
};
