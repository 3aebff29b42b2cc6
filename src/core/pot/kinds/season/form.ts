import { minutesIfAny, offHeat, type StepForm } from '../form';

export const form: StepForm<'season'> = {
  asks: [offHeat, minutesIfAny],
  holds: 'items',
  fresh: { kind: 'season', items: [{ ingredient: 'salt', amount: 'to taste' }] },
};
