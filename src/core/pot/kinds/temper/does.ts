import { temper as tempered } from '../../steps/temper';
import { cooked, type Does, guarded, nothing } from '../outcome';

export const does: Does<'temper'> = (pot, step, kitchen, until) =>
  guarded(
    cooked(tempered(pot, step, kitchen, until), step.to, { ...step, items: nothing(step.items) }),
    kitchen,
  );
