import { minutes, offHeat, type StepForm } from '../form';

export const form: StepForm<'dust'> = {
  asks: [minutes, offHeat],
  holds: ['flour'],
  fresh: { kind: 'dust', flour: { ingredient: 'plain-flour', amount: 'to thicken' }, minutes: 2 },
};
