import { type Advanced, advance } from '../../pot/advance';
import { liquidMl } from '../../pot/contents/contents';
import { boilsAt, cook } from '../../pot/cook';
import { ROWS } from '../../pot/kinds/rows';
import type { Kitchen } from '../../pot/kitchen';
import type { Pot } from '../../pot/pot';
import type { Step } from '../../pot/step';

/** A pot on its way through a step: where it stands, and what of the step is still to come. */
export type PotVariant = {
  readonly pot: Pot;
  readonly kitchen: Kitchen;
  /** Null when the model has nothing more to do in this step. */
  readonly left: Step | null;
  readonly wait: number;
  /** Seconds on the pot's clock from which the step is done to it: what is still being weighed is not in. */
  readonly startsAt: number;
};

/** What has to be made ready goes in this long after its step has come up, s. Our assumption. */
const MADE_READY = 60;

/** The strand with `step` at hand, come up at `from`. */
export const taking = (variant: PotVariant, step: Step | null, from: number): PotVariant => ({
  ...variant,
  left: step,
  wait: 0,
  startsAt: from + (step && ROWS[step.kind].madeReady ? MADE_READY : 0),
});

/** Less liquid than this, mL, and nothing is kept hot by standing on the flame. */
const WET = 20;

/** A pot nobody has tapped for this long, s, is taken to lose no more water; it stays as hot as it was. Our assumption. */
const LONGEST_IDLE = 1200;

/**
 * The pot at `to` seconds on its clock. A step that is done before somebody says so is kept as hot as it
 * is, under the lid it has, and goes on losing water.
 */
export function move(variant: PotVariant, to: number): PotVariant {
  const { pot, kitchen, left, wait, startsAt } = variant;
  if (to <= pot.seconds + 1e-6) return variant;
  if (left && pot.seconds < startsAt) return move(keptAsItIs(variant, Math.min(to, startsAt)), to);
  if (left) {
    const on = advance(pot, left, kitchen, to);
    return move({ ...variant, pot: on.pot, left: on.left, wait: on.wait }, to);
  }
  if (wait > 1e-6) {
    const passed = Math.min(wait, to - pot.seconds);
    return move({ ...variant, pot: { ...pot, seconds: pot.seconds + passed }, wait: wait - passed }, to);
  }
  return keptAsItIs(variant, to);
}

/** The pot kept as it is until `to`. */
function keptAsItIs(variant: PotVariant, to: number): PotVariant {
  const { pot, kitchen } = variant;
  const idle = Math.min(to - pot.seconds, LONGEST_IDLE);
  const kept =
    liquidMl(pot) > WET && pot.celsius <= boilsAt(kitchen) + 0.1
      ? cook(pot, { flame: 1, lid: pot.lid, hold: pot.celsius }, kitchen, { forSeconds: idle }).pot
      : pot;
  return { ...variant, pot: { ...kept, seconds: to, fire: pot.fire } };
}

/** Tapped before this share of its time was over, a step was done earlier and is only being marked. Our assumption. */
const MARKED_LATE = 0.5;

/** The pot once the cook has said, at `at` seconds, that `step`, begun at `from`, is done. */
export function finish(variant: PotVariant, step: Step, from: number, at: number): PotVariant {
  const there = move(variant, at);
  if (!there.left) return { ...there, wait: 0 };
  const whole: Advanced = advance(there.pot, there.left, there.kitchen);
  const planned = whole.pot.seconds - from;
  const short = ROWS[step.kind].timed && planned > 0 && (at - from) / planned >= MARKED_LATE;
  const pot = short ? there.pot : { ...whole.pot, seconds: Math.max(at, variant.pot.seconds) };
  return { ...there, pot, left: null, wait: 0 };
}
