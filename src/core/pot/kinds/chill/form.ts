import { COOLING_METHODS } from '../../../heat/cool/body';
import { message } from '../../../message/message';
import { plain, type StepForm } from '../form';

export const form: StepForm<'chill'> = {
  asks: [
    { as: 'choice', key: 'method', words: message('Where'), options: plain(COOLING_METHODS) },
    { as: 'number', key: 'depthMm', words: message('Depth in the pans'), unit: 'mm' },
    { as: 'number', key: 'to', words: message('To'), unit: '°C' },
  ],
  fresh: { kind: 'chill', method: 'blast', depthMm: 50, to: 5 },
};
