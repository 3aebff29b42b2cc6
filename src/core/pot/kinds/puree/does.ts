import { volumeMl } from '../../contents/contents';
import { blend, minutesOfPuree } from '../../steps/puree';
import { type Does, guarded, timed } from '../outcome';

export const does: Does<'puree'> = (pot, step, kitchen, until) =>
  guarded(
    timed(pot, { ...step, minutes: minutesOfPuree(step, volumeMl(pot)) }, (s) =>
      blend(pot, s, kitchen, until),
    ),
    kitchen,
  );
