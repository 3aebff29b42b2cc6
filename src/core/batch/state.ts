import { withPortions } from '../pot/contents/portions';
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
  /** Place in `steps` of the first neither done nor skipped; their number when there is none. */
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

type StateSoFar = {
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

/** Where a batch stands after its events, whatever the order they arrived in. */
export function batchState({
  plan,
  startedAt,
  events: all,
}: Pick<Batch, 'plan' | 'startedAt' | 'events'>): BatchState {
  const events = standing(all);
  const d: StateSoFar = {
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
  const open = steps.findIndex((s) => !s.done && !s.skipped);
  const current = open === -1 ? steps.length : open;
  const taps = steps.flatMap((s) => s.done ?? s.skipped?.event ?? []).map((e) => Date.parse(e.at));
  return {
    steps,
    current,
    since: Math.max(Date.parse(startedAt), ...taps),
    stage: stageOf(d, current < steps.length),
    timers: [...d.timers.values()],
    paired: d.paired,
    finished: d.finished,
    events,
  };
}
