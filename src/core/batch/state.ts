import type { BatchEvent } from './events';

export type BatchState = {
  /** Step number → the event that marked it done. */
  readonly done: ReadonlyMap<number, BatchEvent>;
  /** First step not yet done; the number of steps when all are. */
  readonly current: number;
};

/** Where a batch of `steps` steps stands after `events`, in the order they were received. */
export function batchState(steps: number, events: readonly BatchEvent[]): BatchState {
  const withdrawn = new Set(events.flatMap((e) => (e.body.kind === 'withdrawn' ? [e.body.event] : [])));
  const done = new Map<number, BatchEvent>();
  for (const event of events) {
    if (withdrawn.has(event.id)) continue;
    if (event.body.kind === 'step-done') done.set(event.body.step, event);
  }
  let current = 0;
  while (current < steps && done.has(current)) current++;
  return { done, current };
}
