import { type Message, message } from '../message/message';
import { RULES } from '../safety/rules';
import { titleAsMessage } from '../words/steps';
import type { Batch } from './record';
import { batchState, inSeveralPans, type Timer } from './state';

/** What a live pot shows on the rail. */
export type Ticket = {
  readonly id: string;
  readonly name: string;
  /** What is happening: the step at hand, or where the finished soup stands. */
  readonly doing: Message | string;
  readonly step: number;
  readonly steps: number;
  /** When what is happening should be over, by the plan moved to the last tap; ISO time. */
  readonly until: string;
  /** When its flame was lit, and when it is ready should the step at hand end when it should, or was; ISO times. See {@link readyAt}. */
  readonly startedAt: string;
  readonly readyAt: string;
  /** Done: kept hot, cooling, or to be written down. */
  readonly finished: boolean;
  /** °C as measured in the step at hand, else as the model has it now, else by the plan at the end of the step. */
  readonly celsius: number;
  readonly by: 'reading' | 'model' | 'plan';
  readonly timers: readonly Timer[];
  /** Kept hot, and last read under the limit. */
  readonly tooCold: boolean;
  /** Something kept: its place is Keep. */
  readonly kept?: true;
  /** The device whose probe stands in what is kept. */
  readonly probe?: string;
  /** What of this batch cannot be relied on, in words; null when all can. */
  readonly trouble: Message | null;
};

/** When a pot is ready, ms, as it stands at `now` (ms): by so much later as the step at hand is late. */
export const readyAt = (t: Pick<Ticket, 'readyAt' | 'until' | 'finished'>, now: number): number =>
  Date.parse(t.readyAt) + (t.finished ? 0 : Math.max(0, now - Date.parse(t.until)));

/** A temperature older than this, ms, no longer speaks of now. */
const FRESH = 10 * 60_000;

/** How often a pot kept hot is probed, and the first limit of cooling, ms: see core/safety. */
const NEXT_CHECK = { hold: 3_600_000, cool: 7_200_000 } as const;

/** What the model says of a pot on the stove: °C now, and when (ms) the step at hand ends. */
export type ByModel = { readonly celsius: number; readonly endsAt: number };

/** What a cook is told of a batch whose model or record fails it. */
function troubleWith({ unreadable = [] }: Batch, lost: boolean): Message | null {
  if (lost) return message('Not followed: by the plan');
  if (unreadable.length === 0) return null;
  return message('{count, plural, one {A line cannot be read} other {# lines cannot be read}}', {
    count: unreadable.length,
  });
}

/** The ticket of a batch at `now` (ms), or null when it is over. `by` is what the model says of it, “lost” where it failed. */
export function ticketOf(batch: Batch, now: number, by?: ByModel | 'lost'): Ticket | null {
  const model = by === 'lost' ? undefined : by;
  const state = batchState(batch);
  const { steps, current, stage, since, timers } = state;
  if (stage === 'over') return null;
  const last = state.events.findLast((e) => e.body.kind === 'temperature');
  const celsius = last?.body.kind === 'temperature' ? last.body.celsius : null;
  const fresh =
    last !== undefined &&
    now - Date.parse(last.at) < FRESH &&
    // Once a step was ended the pot has gone on: the model knows better than a reading of before.
    (!model || Date.parse(last.at) >= since);
  const step = steps[current];
  const planned = step?.planned?.celsius ?? steps.findLast((s) => s.planned)?.planned?.celsius ?? 20;
  const kept = stage === 'hold' || stage === 'cool';
  const from = kept
    ? Date.parse((celsius !== null && stage === 'hold' ? last?.at : undefined) ?? state.finished?.at ?? '')
    : since;
  const until = kept ? from + NEXT_CHECK[stage] : (model?.endsAt ?? from + (step?.seconds ?? 0) * 1000);
  // Of several pans much goes on at once: what is still to come is what the plan has after this step.
  const toCome =
    inSeveralPans(steps) && step?.planned
      ? batch.plan.seconds - step.planned.startsAt - step.planned.seconds
      : steps.slice(current + 1).reduce((sum, s) => (s.done || s.skipped ? sum : sum + s.seconds), 0);
  const ready = stage === 'cooking' ? until + toCome * 1000 : since;
  return {
    id: batch.id,
    name: batch.plan.recipeName,
    doing:
      stage === 'hold'
        ? message('Held: probe by')
        : stage === 'cool'
          ? message('Cooling: {through} by', { through: { celsius: RULES.fda.cooling.stages[0]?.to ?? 21 } })
          : step
            ? step.does
              ? titleAsMessage(step.does, step.planned?.from)
              : step.title
            : message('Done: write it down'),
    step: current + 1,
    steps: steps.length,
    until: new Date(until).toISOString(),
    startedAt: batch.startedAt,
    readyAt: new Date(ready).toISOString(),
    finished: stage !== 'cooking',
    ...(fresh && celsius !== null
      ? { celsius, by: 'reading' }
      : model
        ? { celsius: model.celsius, by: 'model' }
        : { celsius: planned, by: 'plan' }),
    timers,
    tooCold: stage === 'hold' && celsius !== null && celsius < RULES.fda.hot.atLeast,
    trouble: troubleWith(batch, by === 'lost'),
  };
}
