import { ingredient } from '../food/catalogue';
import { POURED } from '../food/ingredient';
import { putAllIn, volumeMl } from './contents';
import {
  boilsAt,
  type CookOutcome,
  cook,
  coolTo,
  hardest,
  heatTo,
  LONGEST,
  type Sample,
  sampleOf,
  simmersAt,
} from './cook';
import { coolsTo } from './heating';
import type { Kitchen } from './kitchen';
import type { Pot } from './pot';
import type { Portion, Step, StepOf } from './step';
import { standing } from './steps/fire/standing';
import { dust, roux } from './steps/flour';
import { chill, hold, keep, poach, reheat, rest } from './steps/keep';
import { blend, minutesOfPuree } from './steps/puree';
import { reduce, reduceLeft } from './steps/reduce';
import { render } from './steps/render';
import { minutesOfStrain, pourThrough } from './steps/strain';
import { sweat } from './steps/sweat';
import { temper, yolkState } from './steps/temper';
import { thicken } from './steps/thicken';

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

/** A step that is done at a stroke: what goes in is in from the start, its time only passes. */
function done(pot: Pot, until: number): Advanced {
  const wait = Math.max(0, pot.seconds - until);
  const now = wait > 0 ? { ...pot, seconds: until } : pot;
  return { pot: now, trace: [sampleOf(now)], notes: [], left: null, wait };
}

const cooked = ({ pot, trace, stalled, cut }: CookOutcome, wanted: number, left: Step): Advanced => ({
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

function bringTo(pot: Pot, step: StepOf<'bring-to'>, kitchen: Kitchen, until: number): Advanced {
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
function simmer(pot: Pot, step: StepOf<'simmer'>, kitchen: Kitchen, until: number): Advanced {
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

const minutesLeft = <S extends { readonly minutes: number }>(
  step: S,
  before: Pot,
  { pot }: Pick<CookOutcome, 'pot'>,
): S => ({
  ...step,
  minutes: Math.max(0, step.minutes - (pot.seconds - before.seconds) / 60),
});

/** The same things, all of them in already. */
const nothing = (items: readonly Portion[]): Portion[] => items.map((i) => ({ ...i, amount: 0 }));

/** A step that takes its minutes, and is cut short when it is looked at before they are over. */
function timed<S extends Step & { readonly minutes: number }>(
  pot: Pot,
  step: S,
  cooks: (step: S) => CookOutcome,
): Advanced {
  const now = cooks(step);
  return cooked(now, 0, minutesLeft(step, pot, now));
}

/** What lies in the pan, cooked on as far as it was looked at. */
function panned<S extends Step & { readonly minutes: number }>(before: Pot, pot: Pot, step: S): Advanced {
  const rest = minutesLeft(step, before, { pot });
  return { pot, trace: [sampleOf(pot)], notes: [], left: rest.minutes > 1e-6 ? rest : null, wait: 0 };
}

/** Things put in, all at the start of the minutes that takes; then the lid. */
function filling(
  pot: Pot,
  step: (StepOf<'add'> | StepOf<'season'>) & { readonly minutes: number },
  lid: Pot['lid'],
  kitchen: Kitchen,
  until: number,
): Advanced {
  const filled = putAllIn(pot, step.items, kitchen);
  const stood = standing(filled, step.minutes * 60, step.offHeat, kitchen, until);
  const now = { ...stood, stalled: false, pot: { ...stood.pot, lid } };
  return cooked(now, 0, minutesLeft({ ...step, items: nothing(step.items) }, pot, now));
}

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
      return panned(pot, sweat(pot, step, kitchen, until), { ...step, items: nothing(step.items) });
    case 'roux':
      return done(roux(pot, step, kitchen), until);
    case 'dust':
      return panned(pot, dust(pot, step, kitchen, until), { ...step, flour: { ...step.flour, amount: 0 } });
    case 'add': {
      const kg = step.items.reduce((sum, i) => sum + i.amount, 0) / 1000;
      const seconds = (ADD_SECONDS + ADD_SECONDS_PER_KG * kg) * (step.gradually ? GRADUALLY : 1);
      const minutes = step.minutes ?? Math.min(seconds, LONGEST) / 60;
      const lid = step.lid ?? pot.lid;
      const lastPoured = step.items
        .filter((i) => POURED.has(ingredient(i.ingredient).group))
        .reduce((sum, i) => sum + i.amount, 0);
      const before = lastPoured > 0 ? { ...pot, lastPoured } : pot;
      return guarded(filling(before, { ...step, minutes }, lid, kitchen, until), kitchen);
    }
    case 'bring-to':
      return guarded(bringTo(pot, step, kitchen, until), kitchen);
    case 'simmer':
      return guarded(simmer(pot, step, kitchen, until), kitchen);
    case 'puree':
      return guarded(
        timed(pot, { ...step, minutes: minutesOfPuree(step, volumeMl(pot)) }, (s) =>
          blend(pot, s, kitchen, until),
        ),
        kitchen,
      );
    case 'render':
      return done(render(pot, step, kitchen), until);
    case 'strain':
      return timed(pot, { ...step, minutes: minutesOfStrain(pot, step) }, (s) =>
        pourThrough(pot, s, kitchen, until),
      );
    case 'reduce': {
      const down = reduce(pot, step, kitchen, until);
      return guarded(cooked(down, boilsAt(kitchen), reduceLeft(pot, down.pot, step)), kitchen);
    }
    case 'thicken': {
      const thick = thicken(pot, step, kitchen, until);
      return guarded(cooked(thick, simmersAt(kitchen), thick.left), kitchen);
    }
    case 'temper': {
      const left = { ...step, items: nothing(step.items) };
      return guarded(cooked(temper(pot, step, kitchen, until), step.to, left), kitchen);
    }
    case 'poach': {
      const poached = poach(pot, step, kitchen, until);
      const later = { ...step, items: nothing(step.items) };
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
    case 'keep':
      return done(keep(pot, step), until);
    case 'season':
      return guarded(
        filling(pot, { ...step, minutes: step.minutes ?? ADD_SECONDS / 60 }, pot.lid, kitchen, until),
        kitchen,
      );
  }
}
