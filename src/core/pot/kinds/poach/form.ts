import { message } from '../../../message/message';
import { lid, type StepForm } from '../form';

export const form: StepForm<'poach'> = {
  asks: [{ as: 'number', key: 'at', words: message('At'), unit: '°C' }, lid],
  holds: 'items',
  fresh: { kind: 'poach', items: [{ ingredient: 'cod', amount: '400 g' }], at: 82, lid: 'off' },
};
