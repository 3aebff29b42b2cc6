import { massG } from '../../pot/contents/contents';
import { panOf, THE_POT } from '../../pot/pans/pan';
import type { Pot } from '../../pot/pot';
import type { StepState } from '../state';
import { potAt } from './ahead';
import { type Followed, notBefore } from './follow';
import { move, panIn } from './move';
import { stepDone } from './rest';

/** One of several pans, now. */
export type PanNow = {
  /** Empty for the pot that goes to the pass. */
  readonly name: string;
  readonly pot: Pot;
  /** Nothing is in it, and nothing under way: it waits, or is done with. */
  readonly empty: boolean;
  /** Place in the batch's steps of what is at hand in it or goes by itself; null where nothing is. */
  readonly step: number | null;
  /** ms at which that should be over; null where nothing is. */
  readonly endsAt: number | null;
  /** ms since which what is in it waits: the last thing done in it or poured into it; null before, and while it is empty. */
  readonly since: number | null;
};

/** What is at hand, and what goes by itself. */
const isUnderWay = (s: StepState, n: number, { state, under }: Followed): boolean =>
  !s.done && !s.skipped && (n === state.current || under.has(s.key));

/** When what is under way in each pan should be over, ms, by the model from the last event on. */
export function pansEnd(
  f: Followed,
): ReadonlyMap<string, { readonly step: number; readonly endsAt: number }> {
  const [first] = f.variants;
  const at = Math.max(0, ...f.state.events.slice(-1).map((e) => (Date.parse(e.at) - f.startedAt) / 1000));
  const found = new Map<string, { step: number; endsAt: number }>();
  if (!first || Object.keys(first.beside).length === 0) return found;
  const variant = move(first, at);
  for (const [n, s] of f.state.steps.entries()) {
    if (!isUnderWay(s, n, f)) continue;
    const pan = panOf(s.does ?? {});
    const seconds = s.does ? stepDone(variant, pan).pot.seconds : at + s.seconds;
    found.set(pan, { step: n, endsAt: f.startedAt + seconds * 1000 });
  }
  return found;
}

/** All pans of a batch at `now` (ms), the pot first; none of a batch made in one pot. */
export function pansNow(f: Followed, ends: ReturnType<typeof pansEnd>, now: number): readonly PanNow[] {
  const { variant } = potAt(f, now);
  const names = Object.keys(variant.beside);
  if (names.length === 0) return [];
  return [THE_POT, ...names].map((name): PanNow => {
    const { pot } = panIn(variant, name);
    const end = ends.get(name);
    return {
      name,
      pot,
      empty: massG(pot) < 1,
      step: end?.step ?? null,
      endsAt: end?.endsAt ?? null,
      since: massG(pot) < 1 ? null : lastDone(f, name),
    };
  });
}

/** When the last step in a pan was done, ms; null where none was. */
function lastDone({ state }: Followed, pan: string): number | null {
  const times = state.steps.flatMap((s) =>
    s.done && panOf(s.does ?? {}) === pan ? [Date.parse(s.done.at)] : [],
  );
  return times.length > 0 ? Math.max(...times) : null;
}

/** Sooner than this, s, what is to be begun next is begun at once: there is nothing to wait for. */
const SOON = 45;

/**
 * Place of the step that fills the screen at `now` (ms): what goes by itself and is over comes first, the longest over
 * first; then what is at hand. Where that is not to be begun yet, what goes by itself is watched meanwhile.
 */
export function dueStep(f: Followed, pans: readonly PanNow[], now: number): number {
  const { state, under } = f;
  const going = pans
    .flatMap(({ step, endsAt }) =>
      step !== null && endsAt !== null && under.has(state.steps[step]?.key ?? '') ? [{ step, endsAt }] : [],
    )
    .toSorted((a, b) => a.endsAt - b.endsAt);
  const [first] = going;
  if (!first || first.endsAt <= now) return first?.step ?? state.current;
  return beginsAt(f, state.current) > now + SOON * 1000 ? first.step : state.current;
}

/** ms at which a step is to be begun by the plan, as late as the batch is. */
export const beginsAt = (f: Followed, step: number): number =>
  f.startedAt + notBefore(f, f.state.steps[step]) * 1000;
