import { mount, putAllIn } from '../contents/contents';
import { type CookOutcome, type Sample, sampleOf } from '../cook';
import type { Kitchen } from '../kitchen';
import { inLots, timesEach } from '../pans/lots';
import type { Pot } from '../pot';
import type { Portion, Step, StepOf } from '../step';
import { standing } from '../steps/fire/standing';
import { yolkState } from '../steps/temper';
import type { StepKind } from './names';

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

/** What a step does to a pot, looked at `until` s on its clock. Total: any pot, any valid step. */
export type Does<K extends StepKind> = (
  pot: Pot,
  step: StepOf<K>,
  kitchen: Kitchen,
  until: number,
) => Advanced;

/** Seconds to weigh something into the pot and stir. Common practice, no source. */
export const ADD_SECONDS = 30;

/** A step that is done at a stroke: what goes in is in from the start, its time only passes. */
export function done(pot: Pot, until: number): Advanced {
  const wait = Math.max(0, pot.seconds - until);
  const now = wait > 0 ? { ...pot, seconds: until } : pot;
  return { pot: now, trace: [sampleOf(now)], notes: [], left: null, wait };
}

/** What fire came to; `left` is the rest of the step where it was cut short. */
export const cooked = ({ pot, trace, stalled, cut }: CookOutcome, wanted: number, left: Step): Advanced => ({
  pot,
  trace,
  notes: stalled ? [{ kind: 'stalled', celsius: pot.celsius, wanted }] : [],
  left: cut ? left : null,
  wait: 0,
});

/** Adds what heat has done to yolk: once scrambled it no longer thickens, and stays so. */
export function guarded(advanced: Advanced, kitchen: Kitchen): Advanced {
  const { pot } = advanced;
  if (pot.yolkPeak === 0 || !pot.thickeners.some((t) => t.kind === 'yolk' && t.strength > 0)) return advanced;
  const { limit, scrambled } = yolkState(pot, kitchen);
  if (!scrambled) return advanced;
  const thickeners = pot.thickeners.map((t) => (t.kind === 'yolk' ? { ...t, strength: 0 } : t));
  const note: Note = { kind: 'scrambled', limit, reached: pot.yolkPeak };
  return { ...advanced, pot: { ...pot, thickeners }, notes: [...advanced.notes, note] };
}

export const minutesLeft = <S extends { readonly minutes: number }>(
  step: S,
  before: Pot,
  { pot }: Pick<CookOutcome, 'pot'>,
): S => ({
  ...step,
  minutes: Math.max(0, step.minutes - (pot.seconds - before.seconds) / 60),
});

/** The same things, all of them in already. */
export const nothing = (items: readonly Portion[]): Portion[] => items.map((i) => ({ ...i, amount: 0 }));

/** A step that takes its minutes, and is cut short when it is looked at before they are over. */
export function timed<S extends Step & { readonly minutes: number }>(
  pot: Pot,
  step: S,
  cooks: (step: S) => CookOutcome,
): Advanced {
  const now = cooks(step);
  return cooked(now, 0, minutesLeft(step, pot, now));
}

/** What lies in the pan, cooked on as far as it was looked at. */
export function panned<S extends Step & { readonly minutes: number }>(
  before: Pot,
  pot: Pot,
  step: S,
): Advanced {
  const rest = minutesLeft(step, before, { pot });
  return { pot, trace: [sampleOf(pot)], notes: [], left: rest.minutes > 1e-6 ? rest : null, wait: 0 };
}

/** Things put in, all at the start of the minutes that takes; then the lid. */
export function filling(
  pot: Pot,
  step: (StepOf<'add'> | StepOf<'season'>) & { readonly minutes: number },
  lid: Pot['lid'],
  kitchen: Kitchen,
  until: number,
): Advanced {
  const put = putAllIn(pot, step.items, kitchen);
  const filled =
    step.kind === 'add' && step.gradually && step.offHeat ? mount(put, step.items, kitchen) : put;
  const stood = standing(filled, step.minutes * 60, step.offHeat, kitchen, until);
  const now = { ...stood, stalled: false, pot: { ...stood.pot, lid } };
  return cooked(now, 0, minutesLeft({ ...step, items: nothing(step.items) }, pot, now));
}

/** What is done in so many lots, one after another, each with its share of what goes in: cut short it goes on in as many. */
export function lotwise<S extends (StepOf<'sweat'> | StepOf<'roast'>) & { readonly minutes: number }>(
  pot: Pot,
  step: S,
  lots: number,
  until: number,
  cooks: (pot: Pot, step: S, until: number) => Pot,
): Advanced {
  const one = { ...step, items: timesEach(step.items, 1 / lots) };
  const now = inLots(pot, lots, until, (p, end) => cooks(p, one, end));
  // Of what is left each lot has its share.
  const minutes = Math.max(0, step.minutes - (now.seconds - pot.seconds) / 60 / lots);
  const left = minutes > 1e-6 ? { ...step, items: nothing(step.items), minutes } : null;
  return { pot: now, trace: [sampleOf(now)], notes: [], left, wait: 0 };
}
