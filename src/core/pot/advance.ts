import { cookThickener } from '../thicken/granules';
import { pHOf, putAllIn, volumeMl } from './contents';
import {
  boilsAt,
  type Cooked,
  cook,
  coolTo,
  hardest,
  heatTo,
  type Sample,
  sampleOf,
  simmersAt,
} from './cook';
import type { Kitchen } from './kitchen';
import type { Pot } from './pot';
import { coolsTo, type Step } from './step';
import { dust, roux } from './steps/flour';
import { chill, hold, poach, reheat, rest } from './steps/keep';
import { puree } from './steps/puree';
import { reduce, reduceLeft } from './steps/reduce';
import { render } from './steps/render';
import { strain } from './steps/strain';
import { sweat } from './steps/sweat';
import { temper, yolkState } from './steps/temper';
import { thicken, thickenLeft } from './steps/thicken';

/** Something the cook should know about how a step went. */
export type Note =
  | { readonly kind: 'stalled'; readonly celsius: number; readonly wanted: number }
  | { readonly kind: 'never-tender' }
  | { readonly kind: 'scrambled'; readonly limit: number; readonly reached: number }
  | { readonly kind: 'cannot-chill'; readonly to: number };

/** A pot after a step, what it went through on the way, and what there is to say about it. */
export type Advanced = {
  readonly pot: Pot;
  readonly trace: readonly Sample[];
  readonly notes: readonly Note[];
  /** What of the step is still to come when it was looked at part way; null when it is done. */
  readonly left: Step | null;
  /** Seconds of it still to come in which nothing changes but the clock. */
  readonly wait: number;
};

/** Seconds to weigh into the pot and stir: a fixed part and a part for each litre going in. Common practice, no source. */
const ADD_SECONDS = 30;
const ADD_SECONDS_PER_KG = 10;
const GRADUALLY = 2;

/** What thickens swells and melts while things are stirred in, as hot as the pot then is. */
function stirred(pot: Pot, seconds: number): Pot {
  const pH = pHOf(pot);
  const { celsius } = pot;
  return {
    ...pot,
    seconds: pot.seconds + seconds,
    thickeners: pot.thickeners.map((t) => cookThickener(t, seconds, celsius, pH)),
  };
}

/** A step that is done at a stroke: what goes in is in from the start, its time only passes. */
function done(pot: Pot, until: number): Advanced {
  const wait = Math.max(0, pot.seconds - until);
  const now = wait > 0 ? { ...pot, seconds: until } : pot;
  return { pot: now, trace: [sampleOf(now)], notes: [], left: null, wait };
}

/** A step that is nothing until it is done: looked at part way, the pot is as it was. */
const atOnce = (before: Pot, after: Pot, step: Step, until: number): Advanced =>
  after.seconds <= until + 1e-6
    ? done(after, until)
    : { ...done({ ...before, seconds: until }, until), left: step, wait: 0 };

const cooked = ({ pot, trace, stalled, cut }: Cooked, wanted: number, left: Step): Advanced => ({
  pot,
  trace,
  notes: stalled ? [{ kind: 'stalled', celsius: pot.celsius, wanted }] : [],
  left: cut ? left : null,
  wait: 0,
});

/** Adds what heat has done to yolk: once scrambled it no longer thickens, and stays so. */
function guarded(advanced: Advanced, kitchen: Kitchen): Advanced {
  const { pot } = advanced;
  if (pot.yolkPeak === 0 || !pot.thickeners.some((t) => t.kind === 'yolk' && t.strength > 0)) return advanced;
  const { limit, scrambled } = yolkState(pot, kitchen);
  if (!scrambled) return advanced;
  const thickeners = pot.thickeners.map((t) => (t.kind === 'yolk' ? { ...t, strength: 0 } : t));
  const note: Note = { kind: 'scrambled', limit, reached: pot.yolkPeak };
  return { ...advanced, pot: { ...pot, thickeners }, notes: [...advanced.notes, note] };
}

type Of<K extends Step['kind']> = Extract<Step, { kind: K }>;

function bringTo(pot: Pot, step: Of<'bring-to'>, kitchen: Kitchen, until: number): Advanced {
  const wanted =
    step.to === 'simmer'
      ? simmersAt(kitchen)
      : step.to === 'boil'
        ? boilsAt(kitchen)
        : Math.min(step.to, boilsAt(kitchen));
  if (coolsTo(step, pot.celsius)) return cooked(coolTo(pot, wanted, step.lid, kitchen, until), wanted, step);
  return cooked(heatTo(pot, wanted, step, kitchen, until), wanted, step);
}

/** Back to the simmer first, then the minutes asked for at it, then longer while anything is hard. */
function simmer(pot: Pot, step: Of<'simmer'>, kitchen: Kitchen, until: number): Advanced {
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

const minutesLeft = <S extends { readonly minutes: number }>(step: S, before: Pot, { pot }: Cooked): S => ({
  ...step,
  minutes: Math.max(0, step.minutes - (pot.seconds - before.seconds) / 60),
});

/**
 * The pot after the cook does `step`. Total: whatever the pot, a valid step gives a pot.
 * Pure: the same arguments always give the same answer. With `until`, a moment on the pot's clock, it is
 * looked at part way: `left` is the rest of the step, and advancing by that comes to the same pot.
 */
export function advance(
  pot: Pot,
  step: Step,
  kitchen: Kitchen,
  until: number = Number.POSITIVE_INFINITY,
): Advanced {
  switch (step.kind) {
    case 'sweat':
      return done(sweat(pot, step, kitchen), until);
    case 'roux':
      return done(roux(pot, step, kitchen), until);
    case 'dust':
      return done(dust(pot, step, kitchen), until);
    case 'add': {
      const kg = step.items.reduce((sum, i) => sum + i.amount, 0) / 1000;
      const seconds = (ADD_SECONDS + ADD_SECONDS_PER_KG * kg) * (step.gradually ? GRADUALLY : 1);
      const filled = stirred(putAllIn(pot, step.items, kitchen), seconds);
      return done({ ...filled, lid: step.lid ?? pot.lid }, until);
    }
    case 'bring-to':
      return guarded(bringTo(pot, step, kitchen, until), kitchen);
    case 'simmer':
      return guarded(simmer(pot, step, kitchen, until), kitchen);
    case 'puree':
      return atOnce(pot, puree(pot, step, kitchen, volumeMl(pot)), step, until);
    case 'render':
      return done(render(pot, step, kitchen), until);
    case 'strain':
      return atOnce(pot, strain(pot, step), step, until);
    case 'reduce': {
      const down = reduce(pot, step, kitchen, until);
      return guarded(cooked(down, boilsAt(kitchen), reduceLeft(pot, down.pot, step)), kitchen);
    }
    case 'thicken': {
      const thick = thicken(pot, step, kitchen, until);
      return guarded(cooked(thick, simmersAt(kitchen), thickenLeft(pot, thick.pot, step)), kitchen);
    }
    case 'temper': {
      const left: Step = { kind: 'bring-to', to: step.to, flame: step.flame, lid: 'off' };
      return guarded(cooked(temper(pot, step, kitchen, until), step.to, left), kitchen);
    }
    case 'poach': {
      const poached = poach(pot, step, kitchen, until);
      const later = { ...step, items: step.items.map((i) => ({ ...i, amount: 0 })) };
      const { minutes } = step;
      const left = minutes === undefined ? later : minutesLeft({ ...later, minutes }, pot, poached);
      return guarded(cooked(poached, step.at, left), kitchen);
    }
    case 'rest': {
      const rested = rest(pot, step, kitchen, until);
      return cooked(rested, 0, minutesLeft(step, pot, rested));
    }
    case 'hold': {
      const held = hold(pot, step, kitchen, until);
      return guarded(cooked(held, step.at, minutesLeft(step, pot, held)), kitchen);
    }
    case 'reheat':
      return guarded(cooked(reheat(pot, step, kitchen, until), step.to, step), kitchen);
    case 'chill': {
      const chilled = chill(pot, step, until);
      const notes: Note[] = chilled.stalled ? [{ kind: 'cannot-chill', to: step.to }] : [];
      const left = chilled.cut ? step : null;
      return { pot: chilled.pot, trace: [sampleOf(chilled.pot)], notes, left, wait: 0 };
    }
    case 'season':
      return done(stirred(putAllIn(pot, step.items, kitchen), ADD_SECONDS), until);
  }
}
