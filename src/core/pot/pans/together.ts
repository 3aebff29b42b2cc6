import { type Advanced, advance } from '../advance';
import { sampleOf } from '../cook';
import { ROWS } from '../kinds/rows';
import type { Kitchen } from '../kitchen';
import type { Pot } from '../pot';
import type { Step } from '../step';
import { standing } from '../steps/fire/standing';
import { panOf, THE_POT } from './pan';
import { poured } from './poured';
import { minutesOfPour } from './pouring';
import { waited } from './waited';

/** All pans of a soup, each on its own clock, by name, and when (s) the hands are free. One pair of hands. */
export type Together = { readonly pots: Readonly<Record<string, Pot>>; readonly hands: number };

/** A step done in one of several pans. */
export type DoneIn = Advanced & {
  readonly pan: string;
  /** The pan as the step begins: it may have waited for the hands. */
  readonly before: Pot;
  /** Of a pouring: the pan poured from, before and after. */
  readonly from?: { readonly pan: string; readonly before: Pot; readonly pot: Pot };
};

const potIn = ({ pots }: Together, name: string): Pot => {
  const pot = pots[name];
  if (!pot) throw new RangeError(`there is no pan “${name}”`);
  return pot;
};

const until = (pot: Pot, to: number, kitchen: Kitchen): Pot =>
  to > pot.seconds + 1e-6 ? waited(pot, to, kitchen, { aside: true }) : pot;

/** One pan poured into another, `step` minutes long, both as they stand when it begins. */
export function pourOne(
  from: Pot,
  into: Pot,
  step: Step & { readonly kind: 'pour' },
  kitchen: Kitchen,
): { readonly from: Pot; readonly run: Advanced } {
  const minutes = minutesOfPour(from, step);
  const met = poured(from, into, step);
  const stood = standing(met.into, minutes * 60, false, kitchen, Number.POSITIVE_INFINITY);
  return {
    from: { ...met.from, seconds: Math.max(from.seconds, stood.pot.seconds) },
    run: {
      pot: stood.pot,
      trace: stood.trace.length > 0 ? stood.trace : [sampleOf(stood.pot)],
      notes: [],
      left: null,
      wait: 0,
    },
  };
}

/** What a step is done with: the pan it is done in, and the one it is poured from. */
export const pansOf = (step: Step): readonly string[] =>
  step.kind === 'pour' ? [panOf(step), step.from ?? THE_POT] : [panOf(step)];

/**
 * The pans after `step`: its pan goes through it as it would alone, where somebody stands at it as soon as the hands are
 * free, and what waits for them stands as it is. What is only looked at goes on by itself: to turn a flame down or lay
 * a lid on there is always a hand. Of one pan alone it comes to what `advance` does. Throws a RangeError for a pan that is not there.
 */
export function goOn(
  t: Together,
  step: Step,
  kitchen: Kitchen,
  notBefore = 0,
): { readonly now: Together; readonly done: DoneIn } {
  const pan = panOf(step);
  const { attended } = ROWS[step.kind];
  // Where all else stands and waits there is nothing to begin later for.
  const idle = Math.max(t.hands, ...Object.values(t.pots).map((p) => p.seconds));
  const start = Math.max(
    Math.min(notBefore, idle),
    attended ? t.hands : 0,
    ...pansOf(step).map((name) => potIn(t, name).seconds),
  );
  const before = until(potIn(t, pan), start, kitchen);
  if (step.kind === 'pour' && (step.from ?? THE_POT) !== pan) {
    const source = step.from ?? THE_POT;
    const out = until(potIn(t, source), start, kitchen);
    const { from, run } = pourOne(out, before, step, kitchen);
    return {
      now: { pots: { ...t.pots, [pan]: run.pot, [source]: from }, hands: run.pot.seconds },
      done: { ...run, pan, before, from: { pan: source, before: out, pot: from } },
    };
  }
  const run = advance(before, step, kitchen);
  const hands = attended ? run.pot.seconds + run.wait : t.hands;
  return {
    now: { pots: { ...t.pots, [pan]: run.pot }, hands },
    done: { ...run, pan, before },
  };
}
