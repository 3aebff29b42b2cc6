import { cook, hardest, heatTo, simmersAt } from '../../cook';
import type { Kitchen } from '../../kitchen';
import type { Pot } from '../../pot';
import type { StepOf } from '../../step';
import type { Advanced } from '../outcome';
import { cooked, type Does, guarded } from '../outcome';

/** Back to the simmer first, then the minutes asked for at it, then longer while anything is hard. */
function simmered(pot: Pot, step: StepOf<'simmer'>, kitchen: Kitchen, until: number): Advanced {
  const wanted = simmersAt(kitchen);
  const fire = { flame: step.flame ?? 1, lid: step.lid };
  const recovered = cooked(heatTo(pot, wanted, fire, kitchen, until), wanted, step);
  if (recovered.left) return recovered;
  const held = { ...fire, hold: wanted };
  const timed = cook(recovered.pot, held, kitchen, { forSeconds: step.minutes * 60, until });
  const trace = [...recovered.trace, ...timed.trace];
  const { notes } = recovered;
  if (timed.cut) {
    const minutes = step.minutes - (timed.pot.seconds - recovered.pot.seconds) / 60;
    return { pot: timed.pot, trace, notes, left: { ...step, minutes: Math.max(0, minutes) }, wait: 0 };
  }
  if (!step.untilTender || hardest(timed.pot) >= 1)
    return { pot: timed.pot, trace, notes, left: null, wait: 0 };
  const softer = cook(timed.pot, held, kitchen, { progress: (p) => hardest(p) - 1, until });
  return {
    pot: softer.pot,
    trace: [...trace, ...softer.trace],
    notes: softer.stalled ? [...notes, { kind: 'never-tender' }] : notes,
    left: softer.cut ? { ...step, minutes: 0 } : null,
    wait: 0,
  };
}

export const does: Does<'simmer'> = (pot, step, kitchen, until) =>
  guarded(simmered(pot, step, kitchen, until), kitchen);
