import { saltStillToAdd } from '../../plan/solve/resolve';
import { type Advanced, advance } from '../../pot/advance';
import { volumeMl } from '../../pot/contents/contents';
import type { Kitchen } from '../../pot/kitchen';
import { type Observation, observe } from '../../pot/observe';
import { panOf, THE_POT } from '../../pot/pans/pan';
import { goOn, type Together } from '../../pot/pans/together';
import type { Pot } from '../../pot/pot';
import type { Step } from '../../pot/step';
import type { Measured } from '../measured';

export type AtThePass = {
  readonly pot: Pot;
  readonly seen: Observation;
  readonly notes: Advanced['notes'];
  readonly peakMl: number;
  /** s on the pot's clock when the correction was done, and what is still to come began. */
  readonly curedAt: number;
};

/** Seasoning still to come salts to the house’s level, whatever was put in meanwhile. */
const seasoned = (step: Step, pot: Pot, kitchen: Kitchen): Step =>
  step.kind !== 'season'
    ? step
    : {
        ...step,
        items: step.items.map((i) =>
          i.ingredient === 'salt' ? { ...i, amount: saltStillToAdd(pot, kitchen) } : i,
        ),
      };

/** The pot at the pass: the correction done, then what is still to come. */
export function toThePass(
  measured: Measured,
  steps: readonly Step[],
  pot = measured.pot,
  kitchen = measured.kitchen,
): AtThePass {
  let now = pot;
  let all: Together = { hands: pot.seconds, pots: { ...measured.beside, [THE_POT]: pot } };
  let peakMl = volumeMl(pot);
  const notes: Advanced['notes'][number][] = [];
  let curedAt = pot.seconds;
  for (const [n, step] of [...steps, ...measured.still].entries()) {
    const own = measured.still.includes(step) ? seasoned(step, now, kitchen) : step;
    let on: Advanced;
    if (measured.beside) {
      // The other pans go on with it, and come into it where they are poured.
      const done = goOn(all, own, kitchen);
      all = done.now;
      on = done.done;
      now = all.pots[THE_POT] as Pot;
    } else {
      on = advance(now, own, kitchen);
      now = { ...on.pot, seconds: on.pot.seconds + on.wait };
    }
    if (panOf(own) === THE_POT) peakMl = Math.max(peakMl, volumeMl(now), ...on.trace.map((t) => t.volumeMl));
    notes.push(...on.notes);
    if (n < steps.length) curedAt = now.seconds;
  }
  return { pot: now, seen: observe(now, kitchen), notes, peakMl, curedAt };
}

const known = new WeakMap<Measured, AtThePass>();

/** The pot at the pass with nothing done to it; worked out once. */
export function asItIs(measured: Measured): AtThePass {
  const found = known.get(measured) ?? toThePass(measured, []);
  known.set(measured, found);
  return found;
}
