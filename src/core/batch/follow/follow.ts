import { same } from '../../maths/same';
import { putIn } from '../../pot/contents/contents';
import type { Kitchen } from '../../pot/kitchen';
import { emptyPan, panOf, THE_POT } from '../../pot/pans/pan';
import { emptyPot, type Pot, potCelsius } from '../../pot/pot';
import type { Step } from '../../pot/step';
import type { BatchEvent, StepKey } from '../events';
import type { Batch, CookedWith } from '../record';
import { atHand, type BatchState, batchState, goingAlone, inSeveralPans, type StepState } from '../state';
import { aspectsOf, type Belief, later, learnt, offsetsIn, type Slope, shifted, unmeasured } from './filter';
import { finish, move, type OnItsWay, type PotVariant, panIn, taking, withPan } from './move';
import { ASPECTS, evidenceOf } from './readings';
import { rescaled, solveRest } from './rest';
import { type Unknown, unknownsOf, withUnknowns } from './unknowns';

/**
 * A batch as the model goes along with it: the pot it believes in, one more for each house factor moved by
 * its doubt, and what the readings have taught. Everything follows from the plan and the events.
 */
export type Followed = {
  readonly cooked: CookedWith;
  readonly kitchen: Kitchen;
  readonly state: BatchState;
  /** ms at which the pots' clock is 0. */
  readonly startedAt: number;
  /** What it may differ in, in the order of `variants`. */
  readonly unknowns: readonly Unknown[];
  /** The pot believed in, then one for each factor, that factor up by its spread. */
  readonly variants: readonly PotVariant[];
  readonly belief: Belief;
  /** Seconds on the pots' clock when the step at hand began. */
  readonly stepFrom: number;
  readonly current: StepKey | null;
  /** Steps that go by themselves, and seconds on the clock when each began. */
  readonly under: ReadonlyMap<StepKey, number>;
  /** Seconds the batch is behind its plan, by the step that was last done; under 0 where it is ahead. */
  readonly late: number;
  /** Steps come up so far whose open amounts were solved anew for the pot as it then was. */
  readonly solved: ReadonlyMap<StepKey, Step>;
  readonly ended: ReadonlySet<StepKey>;
  /** Steps added at the stove so far: before that they are not there. */
  readonly added: ReadonlySet<StepKey>;
  /** Steps another was put before while they went on: what was left of each, pot by pot. */
  readonly paused: ReadonlyMap<StepKey, readonly Pick<OnItsWay, 'left' | 'wait'>[]>;
  /** Minutes into the batch up to which the belief has been brought. */
  readonly minutes: number;
  /** Steps whose amounts what is known so far rests on. */
  readonly used: ReadonlySet<StepKey>;
  /** Where it stood before, now and then, the newest last: what changes the past is gone on from there. */
  readonly trail: readonly Landmark[];
};

/** A batch as it stood after so many of its events. */
type Landmark = { readonly heard: number; readonly at: Omit<Followed, 'trail' | 'state'> };

/** The kitchen as it is believed, of variant `up` with that unknown up by its spread. */
const withBelief = (kitchen: Kitchen, unknowns: readonly Unknown[], { mean }: Belief, up?: number): Kitchen =>
  withUnknowns(kitchen, unknowns, (k) => (mean[k] ?? 0) + (k === up ? (unknowns[k]?.spread ?? 0) : 0));

/** How the pots differ for each factor, then the offsets: what a reading is laid to. */
export function slopesOf({ variants, unknowns }: Pick<Followed, 'variants' | 'unknowns'>): Slope {
  const [first, ...others] = variants.map((s) => aspectsOf(s.pot));
  return Object.fromEntries(
    ASPECTS.map((aspect, a) => [
      aspect,
      [
        ...others.map((o, k) => (o[aspect] - (first?.[aspect] ?? 0)) / (unknowns[k]?.spread ?? 1)),
        ...ASPECTS.map((_, b) => (a === b ? 1 : 0)),
      ],
    ]),
  ) as Record<(typeof ASPECTS)[number], number[]>;
}

type Cursor = Followed & { readonly litres: number };

const onEach = (c: Cursor, change: (s: PotVariant) => PotVariant): Cursor => ({
  ...c,
  variants: c.variants.map(change),
});

const stepOf = (c: Cursor, key: StepKey | null): Step | null =>
  c.state.steps.find((s) => s.key === key)?.does ?? null;

/** What is there to be done by now, in its order. */
const left = (c: Cursor): BatchState['steps'] =>
  c.state.steps.filter((s) => !c.ended.has(s.key) && (s.planned !== null || c.added.has(s.key)));

/** Whether amounts of the step are left open until it comes up: what is to come after it counts in them. */
const solvesAnew = ({ does, planned }: StepState): boolean => does !== null && Boolean(planned?.open?.length);

/** The step that is to be done next of those left. */
const nextOf = (c: Cursor): StepState | undefined => atHand(left(c), (s) => c.under.has(s.key));

const panFor = (step: Pick<StepState, 'does'> | undefined): string => panOf(step?.does ?? {});

/** What the step come up is to be, its open amounts as the pot now wants them. */
function wanted(c: Cursor, next: StepState | undefined): Step | null {
  const [first] = c.variants;
  if (!next?.does || !first || !solvesAnew(next)) return next?.does ?? null;
  const rest = left(c).filter((s) => s === next || !c.under.has(s.key));
  const ready = withPan(first, panFor(next), { left: null, wait: 0 });
  const rescale = solveRest(ready, rest, c.cooked.target, c.litres);
  return rescaled(next, panIn(first, panFor(next)).pot, first.kitchen, { ...rescale, rounded: true });
}

/**
 * Of several pans, when the first step of one is to be begun, s: by the plan, moved by how the batch runs. At once in one
 * pot, in a pan that is on already, and where nothing else is under way to wait for.
 */
export function notBefore(
  { state, late, ended, under }: Pick<Followed, 'state' | 'late' | 'ended' | 'under'>,
  step?: StepState,
): number {
  if (!step?.planned || !inSeveralPans(state.steps)) return 0;
  const pan = panFor(step);
  const on = state.steps.some((s) => ended.has(s.key) && panFor(s) === pan);
  return on || under.size === 0 ? 0 : Math.max(0, step.planned.startsAt + late);
}

/** `step` taken up in its pan, its open amounts as they are now wanted. */
function takenUp(c: Cursor, next: StepState | undefined, from: number): Cursor {
  const step = wanted(c, next);
  const used = next ? (solvesAnew(next) ? left(c) : [next]).map((s) => s.key) : [];
  return {
    ...onEach(c, (s) => taking(s, step, from, notBefore(c, next))),
    used: new Set([...c.used, ...used]),
    solved: next && step && step !== next.does ? new Map([...c.solved, [next.key, step]]) : c.solved,
  };
}

/** What goes by itself from now on, taken up in its pan. */
function alone(c: Cursor, from: number): Cursor {
  if (!inSeveralPans(c.state.steps)) return c;
  const there = c.state.steps.filter((s) => s.planned !== null || c.added.has(s.key));
  const ones = goingAlone(there, (s) => c.ended.has(s.key)).filter((s) => !c.under.has(s.key));
  return ones.reduce((so, s) => {
    // What was at hand already goes on from there.
    const since = s.key === so.current ? so.stepFrom : from;
    const on = s.key === so.current ? so : takenUp(so, s, from);
    return { ...on, under: new Map([...on.under, [s.key, since] as const]) };
  }, c);
}

/** What was at hand and gives way to `next`: half done it goes on later from where it was, not begun it is as if it never came up. */
function putOff(c: Cursor, next: StepState | undefined, at: number): Cursor {
  const was = c.state.steps.find((s) => s.key === c.current);
  if (!was || was.key === next?.key || c.ended.has(was.key) || c.under.has(was.key)) return c;
  const pan = panFor(was);
  const own = c.variants.map((s) => panIn(s, pan));
  const clear = onEach(c, (s) => withPan(s, pan, { left: null, wait: 0 }));
  if (!own.every((s) => at >= s.startsAt)) return clear;
  const half = own.map(({ left: rest, wait }) => ({ left: rest, wait }));
  return { ...clear, paused: new Map([...c.paused, [was.key, half]]) };
}

/** The step the model is to cook next: the first nobody has done by then. */
function begin(before: Cursor, from: number): Cursor {
  const going = alone(before, from);
  const next = nextOf(going);
  const c = putOff(going, next, from);
  const since = next && c.under.get(next.key);
  if (next && since !== undefined) return { ...c, current: next.key, stepFrom: since };
  const begun = next && c.paused.get(next.key);
  if (next && begun) {
    const variants = c.variants.map((s, k) =>
      withPan(s, panFor(next), { left: null, wait: 0, ...begun[k], startsAt: from }),
    );
    return { ...c, variants, current: next.key, stepFrom: from };
  }
  return { ...takenUp(c, next, from), current: next?.key ?? null, stepFrom: from };
}

/** Without `key` among what goes by itself. */
const notUnder = (c: Cursor, key: StepKey): Cursor['under'] =>
  c.under.has(key) ? new Map([...c.under].filter(([k]) => k !== key)) : c.under;

/** How far behind its plan the batch is once `key` is done at `at`, s. */
function latenessOf(c: Cursor, key: StepKey, at: number): number {
  const planned = c.state.steps.find((s) => s.key === key)?.planned;
  return planned ? at - planned.startsAt - planned.seconds : c.late;
}

/** After something in another pan than the one at hand: what goes by itself from now, and what is at hand then. */
function besides(c: Cursor, at: number): Cursor {
  const now = alone(c, at);
  return nextOf(now)?.key === now.current ? now : begin(now, at);
}

function hear(c: Cursor, event: BatchEvent): Cursor {
  const at = Math.max(0, (Date.parse(event.at) - c.startedAt) / 1000);
  const { body } = event;
  switch (body.kind) {
    case 'step-done': {
      if (c.ended.has(body.step)) return c;
      const step = stepOf(c, body.step);
      const here = body.step === c.current;
      const began = here ? c.stepFrom : c.under.get(body.step);
      // Done out of turn, it is done at a stroke, and the step at hand goes on.
      const after = onEach(c, (s) => {
        if (!step) return move(s, at);
        if (began !== undefined) return finish(s, step, began, at);
        const pan = panOf(step);
        const there = move(s, at);
        const finished = finish(withPan(there, pan, { left: step, wait: 0, startsAt: at }), step, at, at);
        const { left: rest, wait, startsAt } = panIn(there, pan);
        return withPan(finished, pan, { left: rest, wait, startsAt });
      });
      const known = {
        ...after,
        under: notUnder(c, body.step),
        late: latenessOf(c, body.step, at),
        ended: new Set([...c.ended, body.step]),
        used: new Set([...c.used, body.step]),
      };
      return here ? begin(known, at) : besides(known, at);
    }
    case 'step-begun': {
      const step = left(c).find((s) => s.key === body.step);
      if (!step?.does || c.under.has(step.key)) return c;
      const there = onEach(c, (s) => move(s, at));
      const here = step.key === c.current;
      const on = here ? there : takenUp(there, step, at);
      const since = here ? c.stepFrom : at;
      return besides({ ...on, under: new Map([...on.under, [step.key, since] as const]) }, at);
    }
    case 'step-skipped': {
      const pan = panFor(c.state.steps.find((s) => s.key === body.step));
      const under = c.under.has(body.step);
      const known = {
        ...onEach(c, (s) => {
          const there = move(s, at);
          return under ? withPan(there, pan, { left: null, wait: 0 }) : there;
        }),
        under: notUnder(c, body.step),
        ended: new Set([...c.ended, body.step]),
      };
      return body.step === c.current ? begin(known, at) : besides(known, at);
    }
    case 'step-added': {
      const there = { ...onEach(c, (s) => move(s, at)), added: new Set([...c.added, event.id]) };
      const next = nextOf(there);
      if (next?.key === c.current) return there;
      return begin(there, at);
    }
    case 'put-in': {
      const { ingredient, g: amount, celsius } = body;
      return onEach(c, (s) => {
        const now = move(s, at);
        return { ...now, pot: putIn(now.pot, { ingredient, amount, celsius }, now.kitchen) };
      });
    }
    default:
      return measure(c, event, at);
  }
}

/** Takes a reading in: the pots go along with it, and so does what is believed of the factors. */
function measure(c: Cursor, { body }: BatchEvent, at: number): Cursor {
  const there = onEach(c, (s) => move(s, at));
  // A pan beside the pot is as hot as it was read; of the soup that teaches nothing.
  if (body.kind === 'pan-temperature') {
    const { pan, celsius } = body;
    return onEach(there, (s) => {
      const one = s.beside[pan];
      return one ? withPan(s, pan, { pot: { ...one.pot, celsius: potCelsius(celsius) } }) : s;
    });
  }
  const [first] = there.variants;
  const said = first && evidenceOf(body, first.pot);
  if (!said) return c;
  const { belief, move: by } = learnt(c.belief, said, slopesOf(there));
  const known = {
    ...there,
    belief,
    variants: there.variants.map((s, k) => ({
      ...s,
      pot: shifted(s.pot, by),
      kitchen: withBelief(c.kitchen, c.unknowns, belief, k - 1),
    })),
  };
  // Measured before it went in: what goes in can still be made to suit.
  const atPot = panFor(c.state.steps.find((s) => s.key === c.current)) === THE_POT;
  return atPot && first.left && at < first.startsAt ? begin(known, c.stepFrom) : known;
}

/** A landmark at every so many events, and before each that brings up a step. */
const APART = 16;
const MOVES_ON = new Set<BatchEvent['body']['kind']>([
  'step-done',
  'step-begun',
  'step-skipped',
  'step-added',
]);

/** Most landmarks: of more, every second of the older half goes. */
const MOST = 48;

function withLandmark(trail: readonly Landmark[], mark: Landmark): readonly Landmark[] {
  if (trail.at(-1)?.heard === mark.heard) return trail;
  const all = [...trail, mark];
  return all.length > MOST ? all.filter((_, n) => n >= MOST / 2 || n % 2 === 0) : all;
}

/** What of a step is cooked: what it does, and which of its amounts are no longer open. */
const cookedOf = ({ does, weighed }: StepState): string => JSON.stringify([does, [...weighed.keys()]]);

/**
 * The last that `before` knew which `state` still goes by: its events begin with those heard by then, and no step that counted by
 * then has other amounts. Null where that is not even the start.
 */
function goesOnFrom(before: Followed, state: BatchState): Landmark | null {
  const heard = before.state.events;
  const parted = heard.findIndex((e, n) => state.events[n]?.id !== e.id || state.events[n]?.at !== e.at);
  const same = parted === -1 ? heard.length : parted;
  const known = new Map(before.state.steps.map((s) => [s.key, s]));
  const changed = state.steps.filter((s) => {
    const was = known.get(s.key);
    // A step nothing was written of is the plan’s own, the same thing in both.
    return was && was.does !== s.does && cookedOf(was) !== cookedOf(s);
  });
  const { trail: _trail, state: _state, ...now } = before;
  const marks: readonly Landmark[] = [...before.trail, { heard: heard.length, at: now }];
  return marks.findLast((m) => m.heard <= same && changed.every((s) => !m.at.used.has(s.key))) ?? null;
}

function atTheStart(
  batch: Batch,
  cooked: CookedWith,
  state: BatchState,
  unknowns: readonly Unknown[],
): Cursor {
  const { kitchen, vessel, burner } = cooked;
  const belief = unmeasured(
    unknowns.map((u) => u.spread),
    offsetsIn(kitchen),
  );
  const pot: Pot = emptyPot(vessel, burner, kitchen.airCelsius);
  const beside = Object.fromEntries(
    Object.entries(cooked.beside ?? {}).map(([name, place]) => [
      name,
      { pot: emptyPan(place, kitchen.airCelsius), left: null, wait: 0, startsAt: 0 },
    ]),
  );
  const variants = [undefined, ...unknowns.keys()].map((up): PotVariant => {
    const own = withBelief(kitchen, unknowns, belief, up);
    return { pot, kitchen: own, left: null, wait: 0, startsAt: 0, beside };
  });
  const startedAt = Date.parse(batch.startedAt);
  const c: Cursor = {
    cooked,
    kitchen,
    state,
    startedAt,
    unknowns,
    variants,
    belief,
    stepFrom: 0,
    current: null,
    under: new Map(),
    late: 0,
    solved: new Map(),
    ended: new Set(),
    added: new Set(),
    paused: new Map(),
    minutes: 0,
    used: new Set(),
    trail: [],
    litres: batch.plan.litres,
  };
  return begin(c, 0);
}

/**
 * The batch gone along with from its start to its last event; null when its record has no steps to cook.
 * `before` is what was found with other events of it: it is gone on from where the two part, to the same end. It is itself the
 * answer where nothing happened since. `differsIn` says what it may differ in: the factors of the whole batch unless said.
 */
export function follow(
  batch: Batch,
  before?: Followed | null,
  differsIn: typeof unknownsOf = unknownsOf,
): Followed | null {
  const { cooked } = batch.plan;
  if (!cooked) return null;
  const state = batchState(batch);
  const unknowns = differsIn(
    state.steps.flatMap((s) => (s.does ? [s.does] : [])),
    cooked,
  );
  const from = before && same(before.unknowns, unknowns) ? goesOnFrom(before, state) : null;
  if (before && from?.heard === state.events.length && from.heard === before.state.events.length)
    return before;
  let c: Cursor =
    before && from
      ? {
          ...from.at,
          state,
          litres: batch.plan.litres,
          trail: before.trail.filter((m) => m.heard <= from.heard),
        }
      : atTheStart(batch, cooked, state, unknowns);
  for (const [n, event] of state.events.entries()) {
    if (n < (from?.heard ?? 0)) continue;
    if (n % APART === 0 || MOVES_ON.has(event.body.kind)) {
      const { trail, state: _state, litres: _litres, ...at } = c;
      c = { ...c, trail: withLandmark(trail, { heard: n, at }) };
    }
    const minutes = Math.max(0, (Date.parse(event.at) - c.startedAt) / 60_000);
    if (minutes > c.minutes)
      c = { ...c, belief: later(c.belief, minutes - c.minutes, offsetsIn(c.kitchen)), minutes };
    c = hear(c, event);
  }
  const { litres: _litres, ...found } = c;
  return found;
}
