import { message } from '../../../message/message';
import { PUREE_TOOLS } from '../../../thicken/puree';
import { minutesIfAny, offHeat, pieces, plain, type StepForm } from '../form';

export const form: StepForm<'puree'> = {
  asks: [
    { as: 'text', key: 'fraction', words: message('How much'), hint: message('1/2, all, or to thicken') },
    { as: 'choice', key: 'tool', words: message('With'), options: plain(PUREE_TOOLS) },
    {
      as: 'number',
      key: 'reserve',
      words: message('Pieces set aside first, 0 to 0.95'),
      unit: '',
      optional: true,
    },
    offHeat,
    minutesIfAny,
    pieces,
  ],
  fresh: { kind: 'puree', fraction: 'all', tool: 'stick blender' },
};
