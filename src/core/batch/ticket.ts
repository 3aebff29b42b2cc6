import type { Batch } from './record';
import { batchState } from './state';

/** What a live pot shows on the rail. */
export type Ticket = {
  readonly id: string;
  readonly name: string;
  /** What is happening: the step at hand. */
  readonly doing: string;
  readonly step: number;
  readonly steps: number;
  /** When the step at hand should be over, by the plan moved to the last tap; ISO time. */
  readonly until: string;
  /** °C by the plan at the end of the step at hand. */
  readonly celsius: number;
};

/** When the step at hand began: at the last step's tap, or when the batch did. */
export function currentStepStarted(batch: Batch): Date {
  const { done, current } = batchState(batch.plan.steps.length, batch.events);
  const tap = current > 0 ? done.get(current - 1) : undefined;
  return new Date(tap?.at ?? batch.startedAt);
}

/** The ticket of a batch, or null when all its steps are done. */
export function ticketOf(batch: Batch): Ticket | null {
  const { steps } = batch.plan;
  const { current } = batchState(steps.length, batch.events);
  const step = steps[current];
  if (!step) return null;
  return {
    id: batch.id,
    name: batch.plan.recipeName,
    doing: step.title,
    step: current + 1,
    steps: steps.length,
    until: new Date(currentStepStarted(batch).getTime() + step.seconds * 1000).toISOString(),
    celsius: step.celsius,
  };
}
