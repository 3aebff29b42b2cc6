import { ingredient } from '../../food/catalogue';
import { times } from '../../food/composition';
import { type Message, message } from '../../message/message';
import { term } from '../../message/term';
import { shareOf as shareOfPiece, volumeMl } from '../../pot/contents/contents';
import { type Observation, observe } from '../../pot/observe';
import type { Step } from '../../pot/step';
import { duration } from '../../units/shown/format';
import type { Fault } from '../faults';
import { thicker } from '../means/thicker';
import type { Measured } from '../measured';
import type { Cure, Option, Wishes } from '../option';
import { toThePass } from '../trial/pass';
import { tried } from '../trial/trial';

/** Minutes to sieve or to blend a litre of hot soup. Common practice, no source. */
const SIEVE_PER_LITRE = 0.4;

/** A pot with a fault no dose mends, and what every cure asks of it. */
export type Case = {
  readonly measured: Measured;
  readonly wishes: Wishes;
  readonly ml: number;
  readonly seen: Observation;
  /** Minutes to sieve or blend it all. */
  readonly sieve: number;
  /** How long a new one takes, in words. */
  readonly anew: Message;
  readonly cure: (c: Omit<Cure, 'fault' | 'option' | 'startAgain'> & Partial<Cure>) => Cure;
};

/** What mends a fault, worked out for the pot at hand. */
export type Cures<F extends Fault> = { readonly [K in F]: (c: Case) => Cure };

/** The case of `fault`; `again` is how long a new batch takes, s. */
export function caseOf(fault: Fault, measured: Measured, wishes: Wishes, again: number): Case {
  const ml = volumeMl(measured.pot);
  return {
    measured,
    wishes,
    ml,
    seen: observe(measured.pot, measured.kitchen),
    sieve: Math.max(1, (ml / 1000) * SIEVE_PER_LITRE),
    anew: message('A new one takes {again}; you have {minutes} min.', {
      again: duration(again),
      minutes: Math.max(0, Math.floor(wishes.minutes)),
    }),
    cure: (c) => ({ fault, option: null, startAgain: null, ...c }),
  };
}

/** A pot of `share` of what it was, everything in proportion. */
export const shareOf = (measured: Measured, share: number): Measured => ({
  ...measured,
  pot: {
    ...measured.pot,
    liquid: times(measured.pot.liquid, share),
    freeFat: measured.pot.freeFat * share,
    mounted: measured.pot.mounted * share,
    sodium: measured.pot.sodium * share,
    thickeners: measured.pot.thickeners.map((t) => ({
      ...t,
      dry: t.dry * share,
      equivalents: t.equivalents * share,
    })),
    pieces: measured.pot.pieces.map((p) => shareOfPiece(p, share)),
  },
});

/** Pieces under this, g, nobody lifts out. Our assumption. */
const FEW = 20;

/** What is lifted out before all of it goes through a blender or a sieve: dice, seafood, what was fried. Empty where nothing is. */
export function liftedFirst({ pot }: Measured): readonly Message[] {
  const names = [...new Set(pot.pieces.filter((p) => p.g > FEW).map((p) => ingredient(p.ingredient).name))];
  return names.length === 0
    ? []
    : [
        message('lift out first, to go back after: {names}', {
          names: { and: names.map((n) => ({ within: term(n.split(',')[0] ?? n) })) },
        }),
      ];
}

/** ln(viscosity) this near the target needs nothing. Our assumption. */
export const RIGHT = 0.05;

/**
 * What brings the thickness back once something thick was taken out or has gone, after the steps `first`: the
 * best of the ways to hand, with those steps in it; null when it is right already or nothing does.
 */
export function mended(measured: Measured, wishes: Wishes, first: readonly Step[] = []): Option | null {
  if (Math.abs(Math.log(toThePass(measured, first).seen.bowlViscosity / measured.target)) < RIGHT)
    return null;
  const options = thicker(measured, wishes)
    .filter((d) => d.unit === 'g')
    .map((d) => tried(measured, { ...d, steps: (dose) => [...first, ...d.steps(dose)] }, wishes))
    .filter((o) => o.struck === null);
  return options.sort((a, b) => b.chance - a.chance || a.minutes - b.minutes)[0] ?? null;
}
