import * as z from 'zod';
import { BatchEvent } from '../core/batch/events';
import type { Batch } from '../core/batch/record';
import { toRecord } from '../core/plan/toRecord';
import type { Queryable } from './database';
import { gathered } from './gathered';
import { planStored, refuseUncookable, type StartRequest } from './planning';
import { appendEvent, type Bounds, readBatch, readLimits, writeBatch } from './queries/batches';
import { accept, cannot, unknown } from './refusal';

/** Plans and writes a batch. The same id twice writes it once and answers the same. */
export async function startBatch(
  db: Queryable,
  request: StartRequest,
): Promise<{ id: string; isNew: boolean }> {
  const { house, plan, recipe, recipeVersion } = await planStored(db, request);
  refuseUncookable(plan);
  const isNew = await writeBatch(db, {
    id: request.id,
    kitchenId: house.id,
    recipeId: request.recipeId,
    recipeVersion,
    plan: toRecord(plan, recipe),
    startedAt: request.startedAt,
    serveAt: request.serveAt ?? null,
  });
  return { id: request.id, isNew };
}

/** What of its batch an event speaks of. */
function boundsOf({ body }: BatchEvent): Bounds {
  const step = 'step' in body ? body.step : null;
  return {
    step: typeof step === 'number' ? step : null,
    event:
      body.kind === 'withdrawn'
        ? body.event
        : body.kind === 'timer-stopped'
          ? body.timer
          : typeof step === 'string'
            ? step
            : null,
    depthMm: body.kind === 'depth' ? body.mm : null,
    ml: body.kind === 'volume' ? body.ml : null,
  };
}

/** The name of the field that names an event. */
const EVENT_FIELD: Partial<Record<BatchEvent['body']['kind'], string>> = {
  withdrawn: 'body.event',
  'timer-stopped': 'body.timer',
};

/** Appends one event to a batch, after checking that it speaks of something the batch has. */
export async function recordEvent(
  db: Queryable,
  batchId: string,
  input: unknown,
): Promise<{ id: string; isNew: boolean }> {
  const event = accept(BatchEvent, input);
  const { id, body } = event;
  if (!z.uuid().safeParse(batchId).success) throw unknown('batch', batchId, []);
  const bounds = boundsOf(event);
  if (await gathered(db, { batch: batchId, event, bounds })) return { id, isNew: true };
  const limits = await readLimits(db, batchId, id, bounds.event);
  if (!limits) throw unknown('batch', batchId, []);
  if (limits.known) return { id, isNew: false };
  const { step, depthMm, ml } = bounds;
  const { rimMm, rimMl } = limits;
  if (step !== null && step >= limits.steps)
    throw cannot('body.step', String(step), `a step of this batch, 0 to ${limits.steps - 1}`);
  if (bounds.event !== null && !limits.hasEvent)
    throw cannot(EVENT_FIELD[body.kind] ?? 'body.step', bounds.event, 'the id of an event of this batch');
  if (depthMm !== null && rimMm !== null && depthMm > rimMm)
    throw cannot('body.mm', `${depthMm} mm is above the rim`, `at most ${Math.round(rimMm)} mm in this pot`);
  if (ml !== null && rimMl !== null && ml > rimMl)
    throw cannot(
      'body.ml',
      `${Math.round(ml)} mL is over the rim`,
      `at most ${Math.round(rimMl)} mL in this pot`,
    );
  // What it names was being written with it: now that is there.
  if (await appendEvent(db, batchId, event, bounds)) return { id, isNew: true };
  throw new Error(`an event of ${batchId} was not written, for no reason known`);
}

/** A batch with all its events. Refuses an id that is none's. */
export async function theBatch(db: Queryable, id: string): Promise<Batch> {
  const batch = z.uuid().safeParse(id).success ? await readBatch(db, id) : null;
  if (!batch) throw unknown('batch', id, []);
  return batch;
}
