import { message } from '../../../message/message';
import { flame, lid, type StepForm } from '../form';

export const form: StepForm<'reheat'> = {
  asks: [{ as: 'number', key: 'to', words: message('To'), unit: '°C' }, flame, lid],
  fresh: { kind: 'reheat', to: 75, flame: 0.5, lid: 'on' },
};
