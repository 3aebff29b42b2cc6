import { message } from '../../../message/message';
import { flameIfAny, lid, minutes, type StepForm } from '../form';

export const form: StepForm<'simmer'> = {
  asks: [
    minutes,
    { as: 'tick', key: 'untilTender', words: message('Longer while anything is hard') },
    lid,
    flameIfAny,
  ],
  fresh: { kind: 'simmer', minutes: 15, untilTender: true, lid: 'on' },
};
