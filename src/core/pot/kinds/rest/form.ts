import { lid, minutes, type StepForm } from '../form';

export const form: StepForm<'rest'> = {
  asks: [minutes, lid],
  fresh: { kind: 'rest', minutes: 10, lid: 'off' },
};
