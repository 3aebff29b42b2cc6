import { message } from '../../../message/message';
import { minutes, type StepForm } from '../form';

export const form: StepForm<'render'> = {
  asks: [minutes, { as: 'number', key: 'keep', words: message('Share of the fat kept, 0 to 1'), unit: '' }],
  holds: 'items',
  fresh: { kind: 'render', items: [{ ingredient: 'streaky-bacon', amount: '150 g' }], minutes: 8, keep: 1 },
};
