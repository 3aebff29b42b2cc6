import { message } from '../../../message/message';
import { lidIfAny, minutesIfAny, offHeat, type StepForm } from '../form';

export const form: StepForm<'add'> = {
  asks: [
    { as: 'tick', key: 'gradually', words: message('Gradually, whisking') },
    offHeat,
    minutesIfAny,
    lidIfAny,
  ],
  holds: 'items',
  fresh: { kind: 'add', items: [{ ingredient: 'vegetable-stock', amount: 'to volume' }] },
};
