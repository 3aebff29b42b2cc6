import { saltStillToAdd } from '../../plan/solve/resolve';
import { type Advanced, advance } from '../../pot/advance';
import { volumeMl } from '../../pot/contents/contents';
import type { Kitchen } from '../../pot/kitchen';
import { type Observation, observe } from '../../pot/observe';
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
  let peakMl = volumeMl(pot);
  const notes: Advanced['notes'][number][] = [];
  let curedAt = pot.seconds;
  for (const [n, step] of [...steps, ...measured.still].entries()) {
    const on = advance(now, measured.still.includes(step) ? seasoned(step, now, kitchen) : step, kitchen);
    now = { ...on.pot, seconds: on.pot.seconds + on.wait };
    peakMl = Math.max(peakMl, volumeMl(now), ...on.trace.map((t) => t.volumeMl));
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
