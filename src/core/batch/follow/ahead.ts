import { bandOf, chanceOfBand } from '../../flow/bands';
import { equivalentsFor } from '../../flow/viscosity';
import { bracketOf } from '../../maths/logNormal';
import { type Observation, observe } from '../../pot/observe';
import { panOf } from '../../pot/pans/pan';
import type { Step } from '../../pot/step';
import { THICKENERS } from '../../thickeners/thickeners';
import type { StepKey } from '../events';
import type { StepState } from '../state';
import { shifted, varianceAlong } from './filter';
import type { Followed } from './follow';
import { move, type PotVariant, panIn } from './move';
import { type Rescale, solveRest, stepDone, toTheEnd } from './rest';

/**
 * What would bring the end to the target when no step still to come can: g of flour equivalent short, or mL of
 * liquid to let it down with.
 */
export type Short =
  | { readonly kind: 'thin'; readonly flour: number; readonly cornstarch: number }
  | { readonly kind: 'thick'; readonly liquidMl: number };

/** What is to be expected of a batch from here. */
export type Ahead = {
  /** At the pass, as believed. */
  readonly end: Observation;
  /** ms. */
  readonly endsAt: number;
  /** Steps still to come with the amounts that meet the target from here. */
  readonly steps: ReadonlyMap<StepKey, Step>;
  /** Null when it lands near enough, or the steps to come see to it. */
  readonly short: Short | null;
  /** For {@link doubtAhead}. */
  readonly rescale: Rescale;
  readonly at: number;
};

/** How sure the end is. */
export type DoubtAhead = {
  /** mPa·s in the bowl that 8 in 10 such batches lie between. */
  readonly bracket: readonly [number, number];
  /** Of landing in the band asked for. */
  readonly chance: number;
  /** How ln(viscosity) at the end answers to the ln of each house factor, in the order they are followed. */
  readonly slopes: readonly number[];
};

/** Off the target by less than this, ln, is not worth a correction: a tenth. */
const NEAR = 0.1;

/** Standard deviation of ln(viscosity) over which nothing at all is known. */
const WIDEST = 10;

/** What is neither at hand nor going by itself. */
export const toCome = ({ state, under }: Followed): readonly StepState[] =>
  state.steps.filter((s, n) => n !== state.current && !s.done && !s.skipped && !under.has(s.key));

/**
 * Where the batch comes out from `now` (ms): the amounts still open solved anew for the pot as it is, and
 * what is short when nothing still to come can mend it.
 */
export function ahead(f: Followed, now: number, litres: number): Ahead {
  const at = Math.max(0, (now - f.startedAt) / 1000);
  const rest = toCome(f);
  const { target } = f.cooked;
  const nominal = move(believed(f), at);
  const rescale = { ...solveRest(nominal, rest, target, litres), rounded: true };
  const { pot, steps } = toTheEnd(nominal, rest, rescale);
  const end = observe(pot, nominal.kitchen);
  return { end, endsAt: f.startedAt + pot.seconds * 1000, steps, short: shortOf(end, target), rescale, at };
}

/**
 * How sure {@link ahead} is, by first order: the end with each house factor moved by its doubt, and with the
 * level and the thickening as much off as readings leave them.
 */
export function doubtAhead(f: Followed, { end, rescale, at }: Ahead): DoubtAhead {
  const rest = toCome(f);
  const y = Math.log(end.bowlViscosity);
  const yOf = (s: PotVariant): number =>
    Math.log(observe(toTheEnd(s, rest, rescale).pot, s.kitchen).bowlViscosity);
  const nominal = move(believed(f), at);
  const nudged = (by: { water?: number; thickness?: number }): PotVariant => ({
    ...nominal,
    pot: shifted(nominal.pot, { heat: 0, water: 0, thickness: 0, softness: 0, ...by }),
  });
  const slope = [
    ...f.variants.slice(1).map((s, k) => (yOf(move(s, at)) - y) / (f.unknowns[k]?.spread ?? 1)),
    0,
    (yOf(nudged({ water: 0.02 })) - y) / 0.02,
    (yOf(nudged({ thickness: 0.05 })) - y) / 0.05,
    0,
  ];
  const spread = Math.min(WIDEST, Math.sqrt(Math.max(1e-6, varianceAlong(f.belief, slope))));
  const limits = f.kitchen.bandLimits;
  return {
    bracket: bracketOf(end.bowlViscosity, spread),
    chance: chanceOfBand(end.bowlViscosity, spread, bandOf(f.cooked.target, limits), limits),
    slopes: slope.slice(0, f.unknowns.length),
  };
}

function believed({ variants: [first] }: Followed): PotVariant {
  if (!first) throw new RangeError('a batch is followed by at least one pot');
  return first;
}

function shortOf(end: Observation, target: number): Short | null {
  if (end.waterMl < 50 || Math.abs(Math.log(end.bowlViscosity / target)) < NEAR) return null;
  const wanted = equivalentsFor(target, end.fatFraction);
  if (wanted <= 0) return null;
  if (end.equivalents < wanted) {
    const flour = ((wanted - end.equivalents) * end.waterMl) / 1000;
    return { kind: 'thin', flour, cornstarch: flour / THICKENERS.maize.strength };
  }
  return { kind: 'thick', liquidMl: end.waterMl * (end.equivalents / wanted - 1) };
}

/** The pot as believed at `now` (ms), and seconds of the step at hand still to come by the model. */
export function potAt(
  f: Followed,
  now: number,
): { readonly variant: PotVariant; readonly secondsLeft: number } {
  const variant = move(believed(f), Math.max(0, (now - f.startedAt) / 1000));
  const pan = panOf(f.state.steps[f.state.current]?.does ?? {});
  return { variant, secondsLeft: stepDone(variant, pan).pot.seconds - panIn(variant, pan).pot.seconds };
}

/** ms at which the step at hand should be over: by the model from the last event on, or as whoever added it said. */
export function stepEndsAt(f: Followed): number {
  const { steps, current, since, events } = f.state;
  const step = steps[current];
  if (!step?.does) return since + (step?.seconds ?? 0) * 1000;
  const last = Math.max(since, ...events.slice(-1).map((e) => Date.parse(e.at)));
  return last + potAt(f, last).secondsLeft * 1000;
}
