import { withPortions } from '../pot/contents/portions';
import { ROWS } from '../pot/kinds/rows';
import { THE_POT } from '../pot/pans/pan';
import { pansOf } from '../pot/pans/together';
import type { Portion, Step } from '../pot/step';
import { counting } from '../record/counting';
import type { BatchEvent, BodyOf, StepKey } from './events';
import type { Batch, RecordedStep } from './record';

/** A step of a batch as it stands. */
export type StepState = {
  readonly key: StepKey;
  readonly title: string;
  /** The test that stands after a correction. */
  readonly checks: boolean;
  /** As planned; null for a step added at the stove. */
  readonly planned: RecordedStep | null;
  /** What the model is to cook: planned, with what the scale really showed; null when it is words only. */
  readonly does: Step | null;
  /** Seconds by the plan, or by whoever added it; 0 when nobody said. */
  readonly seconds: number;
  readonly done: BatchEvent | null;
  /** Since when, ms, it goes by itself while something is done in another pan; null of what does not, and of what is done. */
  readonly begun: number | null;
  readonly skipped: { readonly event: BatchEvent; readonly reason: string } | null;
  /** Ladles, pours or fills ticked. */
  readonly parts: ReadonlySet<number>;
  /** g on the scale, by item. */
  readonly weighed: ReadonlyMap<number, number>;
};

/** A named timer; it rings at `endsAt` and counts on until it is stopped. */
export type Timer = { readonly id: string; readonly name: string; readonly endsAt: number };

type Paired = { readonly device: string; readonly name: string };

export type Stage = 'cooking' | 'to write down' | 'hold' | 'cool' | 'over';

export type BatchState = {
  readonly steps: readonly StepState[];
  /** Place in `steps` of the one at hand ({@link atHand}); their number when there is none. */
  readonly current: number;
  /** When the step at hand began, ms: at the last tap that ended one, or when the batch did. */
  readonly since: number;
  readonly stage: Stage;
  readonly timers: readonly Timer[];
  readonly paired: { readonly [W in BodyOf<'paired'>['what']]?: Paired };
  readonly finished: (BodyOf<'finished'> & { readonly at: string }) | null;
  /** Events that count, by the time they happened. */
  readonly events: readonly BatchEvent[];
};

/** Events that count: by the time they happened, as received where that is the same, without those taken back. */
export const standing: (events: readonly BatchEvent[]) => readonly BatchEvent[] = counting;

/** The pans a step is done with; the pot where nothing says otherwise. */
const pansFor = ({ does }: Pick<StepState, 'does'>): readonly string[] => (does ? pansOf(does) : [THE_POT]);

/**
 * The step at hand of those still `open`, in their order: the first that nothing before it in its pans holds up and that
 * is not going by itself. Where all that can be done goes by itself, the first of that. Of one pan always the first.
 */
export function atHand<S extends Pick<StepState, 'does' | 'key'>>(
  open: readonly S[],
  begun: (step: S) => boolean,
): S | undefined {
  const held = new Set<string>();
  for (const step of open) {
    const pans = pansFor(step);
    if (!begun(step) && !pans.some((p) => held.has(p))) return step;
    for (const p of pans) held.add(p);
  }
  return open[0];
}

/**
 * Steps that go by themselves as soon as what comes before them in their pan is `over`: nobody has to stand at them, and
 * the pan is on. What is first in its pan has to be begun by somebody.
 */
export function goingAlone<S extends Pick<StepState, 'does'>>(
  steps: readonly S[],
  over: (step: S) => boolean,
): readonly S[] {
  const [held, on] = [new Set<string>(), new Set<string>()];
  return steps.filter((step) => {
    const pans = pansFor(step);
    if (over(step)) {
      for (const p of pans) on.add(p);
      return false;
    }
    const free = pans.every((p) => on.has(p) && !held.has(p));
    for (const p of pans) held.add(p);
    return free && step.does !== null && !ROWS[step.does.kind].attended;
  });
}

/** Whether steps are done in more than one pan. */
export const inSeveralPans = (steps: readonly Pick<StepState, 'does'>[]): boolean =>
  steps.some((s) => pansFor(s).some((p) => p !== THE_POT));

/** Whether the step at hand is begun and then left, to be done in its own time: a tray put into the oven. */
export function mayGoAlone(steps: readonly StepState[], current: number): boolean {
  const here = steps[current];
  if (!here?.does || here.begun !== null || ROWS[here.does.kind].attended) return false;
  const open = steps.filter((s) => !s.done && !s.skipped);
  const next = atHand(open, (s) => s.begun !== null || s === here);
  return next !== undefined && next !== here && next.begun === null;
}

type StateSoFar = {
  begun: Map<StepKey, BatchEvent>;
  done: Map<StepKey, BatchEvent>;
  skipped: Map<StepKey, BatchEvent>;
  parts: Map<StepKey, Set<number>>;
  weighed: Map<number, Map<number, number>>;
  colours: Map<number, BodyOf<'colour'>['colour']>;
  added: { event: BatchEvent; body: BodyOf<'step-added'> }[];
  timers: Map<string, Timer>;
  paired: Record<string, Paired>;
  finished: BatchState['finished'];
  cleared: boolean;
};

const inside = <K, V>(map: Map<K, V>, key: K, fresh: () => V): V => {
  const known = map.get(key) ?? fresh();
  map.set(key, known);
  return known;
};

/** Two stations may mark the same step: both stay on record, and the later counts. */
function take(d: StateSoFar, event: BatchEvent): void {
  const { body } = event;
  switch (body.kind) {
    case 'step-done':
      d.done.set(body.step, event);
      d.skipped.delete(body.step);
      break;
    case 'step-begun':
      d.begun.set(body.step, event);
      break;
    case 'step-skipped':
      d.skipped.set(body.step, event);
      d.done.delete(body.step);
      break;
    case 'step-added':
      d.added.push({ event, body });
      break;
    case 'part-done':
      inside(d.parts, body.step, () => new Set()).add(body.part);
      break;
    case 'weighed':
      inside(d.weighed, body.step, () => new Map()).set(body.item, body.g);
      break;
    case 'colour':
      d.colours.set(body.step, body.colour);
      break;
    case 'timer-started': {
      const endsAt = Date.parse(event.at) + body.seconds * 1000;
      d.timers.set(event.id, { id: event.id, name: body.name, endsAt });
      break;
    }
    case 'timer-stopped':
      d.timers.delete(body.timer);
      break;
    case 'paired':
      if (body.device === null) delete d.paired[body.what];
      else d.paired[body.what] = { device: body.device, name: body.name ?? body.device };
      break;
    case 'finished':
      d.finished = { ...body, at: event.at };
      break;
    case 'cleared':
      d.cleared = true;
      break;
  }
}

/** The step with what really went onto the scale and the colour the roux really took. */
function asDone(
  step: Step,
  weighed: ReadonlyMap<number, number>,
  colour: BodyOf<'colour'>['colour'] | undefined,
): Step {
  const coloured = colour && step.kind === 'roux' ? { ...step, colour } : step;
  if (weighed.size === 0) return coloured;
  return withPortions(coloured, (p: Portion, item) => ({ ...p, amount: weighed.get(item) ?? p.amount }));
}

const NONE: ReadonlySet<number> = new Set();
const NOTHING: ReadonlyMap<number, number> = new Map();

function stageOf(d: StateSoFar, stepsLeft: boolean): Stage {
  if (d.cleared) return 'over';
  if (d.finished)
    return d.finished.goesTo === 'hold' || d.finished.goesTo === 'cool' ? d.finished.goesTo : 'over';
  return stepsLeft ? 'cooking' : 'to write down';
}

const isOver = (s: StepState): boolean => s.done !== null || s.skipped !== null;

/** When a step was done or left out, ms; null of one still open. */
function overAt(s: StepState): number | null {
  const at = (s.done ?? s.skipped?.event)?.at;
  return at === undefined ? null : Date.parse(at);
}

/** The steps, with those that go by themselves as they do. */
function withBegun(
  steps: readonly StepState[],
  begun: ReadonlyMap<StepKey, BatchEvent>,
): readonly StepState[] {
  if (!inSeveralPans(steps)) return steps;
  const alone = new Set(goingAlone(steps, isOver));
  return steps.map((s, n) => {
    if (isOver(s)) return s;
    const told = begun.get(s.key);
    if (told) return { ...s, begun: Date.parse(told.at) };
    if (!alone.has(s)) return s;
    const pans = pansFor(s);
    const before = steps.slice(0, n).filter((o) => pansFor(o).some((p) => pans.includes(p)));
    return { ...s, begun: Math.max(0, ...before.map((o) => overAt(o) ?? 0)) };
  });
}

/** Where a batch stands after its events, whatever the order they arrived in. */
export function batchState({
  plan,
  startedAt,
  events: all,
}: Pick<Batch, 'plan' | 'startedAt' | 'events'>): BatchState {
  const events = standing(all);
  const d: StateSoFar = {
    begun: new Map(),
    done: new Map(),
    skipped: new Map(),
    parts: new Map(),
    weighed: new Map(),
    colours: new Map(),
    added: [],
    timers: new Map(),
    paired: {},
    finished: null,
    cleared: false,
  };
  for (const event of events) take(d, event);
  const state = (
    key: StepKey,
    rest: Pick<StepState, 'title' | 'checks' | 'planned' | 'does' | 'seconds'>,
  ): StepState => {
    const skipped = d.skipped.get(key);
    return {
      key,
      ...rest,
      done: d.done.get(key) ?? null,
      begun: null,
      skipped: skipped?.body.kind === 'step-skipped' ? { event: skipped, reason: skipped.body.reason } : null,
      parts: d.parts.get(key) ?? NONE,
      weighed: (typeof key === 'number' ? d.weighed.get(key) : undefined) ?? NOTHING,
    };
  };
  const addedBefore = (n: number): StepState[] =>
    d.added
      .filter((a) => Math.min(a.body.before, plan.steps.length) === n)
      .map(({ event, body }) =>
        state(event.id, {
          title: body.title,
          checks: body.checks === true,
          planned: null,
          does: body.does ?? null,
          seconds: (body.minutes ?? 0) * 60,
        }),
      );
  const steps = [
    ...plan.steps.flatMap((planned, n) => [
      ...addedBefore(n),
      state(n, {
        title: planned.title,
        checks: false,
        planned,
        does: planned.does ? asDone(planned.does, d.weighed.get(n) ?? NOTHING, d.colours.get(n)) : null,
        seconds: planned.seconds,
      }),
    ]),
    ...addedBefore(plan.steps.length),
  ];
  const going = withBegun(steps, d.begun);
  const open = going.filter((s) => !isOver(s));
  const here = atHand(open, (s) => s.begun !== null);
  const current = here ? going.indexOf(here) : going.length;
  return {
    steps: going,
    current,
    since: here?.begun ?? Math.max(Date.parse(startedAt), ...going.map((s) => overAt(s) ?? 0)),
    stage: stageOf(d, current < steps.length),
    timers: [...d.timers.values()],
    paired: d.paired,
    finished: d.finished,
    events,
  };
}
