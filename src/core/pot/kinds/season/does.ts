import { ADD_SECONDS, type Does, filling, guarded } from '../outcome';

export const does: Does<'season'> = (pot, step, kitchen, until) =>
  guarded(
    filling(pot, { ...step, minutes: step.minutes ?? ADD_SECONDS / 60 }, pot.lid, kitchen, until),
    kitchen,
  );
