import { type Advanced, advance } from '../../pot/advance';
import { ROWS } from '../../pot/kinds/rows';
import type { Kitchen } from '../../pot/kitchen';
import { panOf, THE_POT } from '../../pot/pans/pan';
import { poured } from '../../pot/pans/poured';
import { minutesOfPour } from '../../pot/pans/pouring';
import { pansOf } from '../../pot/pans/together';
import { waited } from '../../pot/pans/waited';
import type { Pot } from '../../pot/pot';
import type { Step } from '../../pot/step';
import { standing } from '../../pot/steps/fire/standing';

/** A pot on its way through a step: where it stands, and what of the step is still to come. */
export type OnItsWay = {
  readonly pot: Pot;
  /** Null when the model has nothing more to do in this step. */
  readonly left: Step | null;
  readonly wait: number;
  /** Seconds on the pot's clock from which the step is done to it: what is still being weighed is not in. */
  readonly startsAt: number;
};

/** The pot that goes to the pass, and the pans beside it, each on its way. */
export type PotVariant = OnItsWay & {
  readonly kitchen: Kitchen;
  /** By name; none of a soup made in one pot. */
  readonly beside: Readonly<Record<string, OnItsWay>>;
};

/** What has to be made ready goes in this long after its step has come up, s. Our assumption. */
const MADE_READY = 60;

/** One pan of a variant; the pot where there is none of that name. */
export const panIn = (variant: PotVariant, pan: string): OnItsWay => variant.beside[pan] ?? variant;

/** The variant with one of its pans otherwise. */
export const withPan = (variant: PotVariant, pan: string, now: Partial<OnItsWay>): PotVariant =>
  variant.beside[pan] === undefined
    ? { ...variant, ...now }
    : { ...variant, beside: { ...variant.beside, [pan]: { ...variant.beside[pan], ...now } } };

/** The strand with `step` at hand in its pan, come up at `from`, and not begun before `notBefore`. */
export const taking = (variant: PotVariant, step: Step | null, from: number, notBefore = 0): PotVariant =>
  withPan(variant, step ? panOf(step) : THE_POT, {
    left: step,
    wait: 0,
    startsAt: Math.max(notBefore, from + (step && ROWS[step.kind].madeReady ? MADE_READY : 0)),
  });

/** A pot nobody has tapped for this long, s, is taken to lose no more water; it stays as hot as it was. Our assumption. */
const LONGEST_IDLE = 1200;

/** The same where pans wait for each other, as the plan has it. */
const LONGEST_WAIT = 7200;

/**
 * The pot at `to` seconds on its clock. A step that is done before somebody says so is kept as hot as it
 * is, under the lid it has, and goes on losing water. What is to be poured stands so until it is.
 */
function moved<O extends OnItsWay>(one: O, kitchen: Kitchen, to: number): O {
  const { pot, left, wait, startsAt } = one;
  if (to <= pot.seconds + 1e-6) return one;
  if (left && left.kind !== 'pour' && pot.seconds < startsAt)
    return moved(keptAsItIs(one, kitchen, Math.min(to, startsAt)), kitchen, to);
  if (left && left.kind !== 'pour') {
    const on = advance(pot, left, kitchen, to);
    return moved({ ...one, pot: on.pot, left: on.left, wait: on.wait }, kitchen, to);
  }
  if (wait > 1e-6) {
    const passed = Math.min(wait, to - pot.seconds);
    return moved(
      { ...one, pot: { ...pot, seconds: pot.seconds + passed }, wait: wait - passed },
      kitchen,
      to,
    );
  }
  return keptAsItIs(one, kitchen, to);
}

/** The pot kept as it is until `to`. */
function keptAsItIs<O extends OnItsWay>(one: O, kitchen: Kitchen, to: number): O {
  const single = 'beside' in one && Object.keys(one.beside as object).length === 0;
  const most = single ? LONGEST_IDLE : LONGEST_WAIT;
  return { ...one, pot: waited(one.pot, to, kitchen, { most, aside: !single }) };
}

/** All its pans at `to` seconds on their clock. */
export function move(variant: PotVariant, to: number): PotVariant {
  const now = moved(variant, variant.kitchen, to);
  const names = Object.keys(variant.beside);
  if (names.length === 0) return now;
  const beside = Object.fromEntries(
    names.map((n) => [n, moved(variant.beside[n] as OnItsWay, variant.kitchen, to)]),
  );
  return { ...now, beside };
}

/** Tapped before this share of its time was over, a step was done earlier and is only being marked. Our assumption. */
const MARKED_LATE = 0.5;

/** One pan poured into another, tapped at `at` s: it was begun as long before as it takes, and not before it came up. */
function finishedPour(
  variant: PotVariant,
  step: Step & { readonly kind: 'pour' },
  from: number,
  at: number,
): PotVariant {
  const [into = THE_POT, out = THE_POT] = pansOf(step);
  const [target, source] = [panIn(variant, into), panIn(variant, out)];
  if (into === out) return withPan(move(variant, at), into, { left: null, wait: 0 });
  const known = Math.max(from, target.pot.seconds, source.pot.seconds);
  const start = Math.min(at, Math.max(known, at - minutesOfPour(source.pot, step) * 60));
  const there = move(variant, start);
  const { kitchen } = variant;
  const met = poured(panIn(there, out).pot, panIn(there, into).pot, step);
  const stood = standing(met.into, Math.max(0, at - start), false, kitchen, Number.POSITIVE_INFINITY).pot;
  const done = withPan(there, into, { pot: stood, left: null, wait: 0 });
  return move(withPan(done, out, { pot: met.from }), at);
}

/** The pot once the cook has said, at `at` seconds, that `step`, begun at `from`, is done. */
export function finish(variant: PotVariant, step: Step, from: number, at: number): PotVariant {
  if (step.kind === 'pour') return finishedPour(variant, step, from, at);
  const there = move(variant, at);
  const pan = panOf(step);
  const one = panIn(there, pan);
  if (!one.left) return withPan(there, pan, { wait: 0 });
  const whole: Advanced = advance(one.pot, one.left, there.kitchen);
  const planned = whole.pot.seconds - from;
  const short = ROWS[step.kind].timed && planned > 0 && (at - from) / planned >= MARKED_LATE;
  const pot = short ? one.pot : { ...whole.pot, seconds: Math.max(at, panIn(variant, pan).pot.seconds) };
  return withPan(there, pan, { pot, left: null, wait: 0 });
}
