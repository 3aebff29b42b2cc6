import { message } from '../../../message/message';
import { flame, type StepForm } from '../form';

export const form: StepForm<'reduce'> = {
  asks: [
    {
      as: 'choice',
      key: 'until',
      words: message('Until'),
      options: [
        { value: 'minutes', words: message('minutes have gone') },
        { value: 'share', words: message('this share is left') },
        { value: 'ofLast', words: message('this share of what was poured last is left') },
        { value: 'dropMm', words: message('the level has dropped, mm') },
      ],
    },
    { as: 'number', key: 'untilValue', words: message('How much'), unit: '' },
    flame,
  ],
  fresh: { kind: 'reduce', flame: 1, to: { share: 0.8 } },
};
