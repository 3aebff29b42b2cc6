import * as z from 'zod';
import { BatchEvent } from '../core/batch/events';
import { toRecord } from '../core/plan/toRecord';
import type { Queryable } from './database';
import { planStored, refuseUncookable, type StartRequest } from './planning';
import { appendEvent, readBatch, writeBatch } from './queries/batches';
import { accept, cannot, unknown } from './refusal';

/** Plans and writes a batch. The same id twice writes it once and answers the same. */
export async function startBatch(
  db: Queryable,
  request: StartRequest,
): Promise<{ id: string; isNew: boolean }> {
  const { house, plan, recipeVersion } = await planStored(db, request);
  refuseUncookable(plan);
  const isNew = await writeBatch(db, {
    id: request.id,
    kitchenId: house.id,
    recipeId: request.recipeId,
    recipeVersion,
    plan: toRecord(plan),
    startedAt: request.startedAt,
    serveAt: request.serveAt ?? null,
  });
  return { id: request.id, isNew };
}

/** Appends one event to a batch, after checking that it speaks of something the batch has. */
export async function recordEvent(
  db: Queryable,
  batchId: string,
  input: unknown,
): Promise<{ id: string; isNew: boolean }> {
  const event = accept(BatchEvent, input);
  const batch = z.uuid().safeParse(batchId).success ? await readBatch(db, batchId) : null;
  if (!batch) throw unknown('batch', batchId, []);
  const { body } = event;
  const last = batch.plan.steps.length - 1;
  if (body.kind === 'step-done' && body.step > last) {
    throw cannot('body.step', String(body.step), `a step of this batch, 0 to ${last}`);
  }
  if (body.kind === 'withdrawn' && !batch.events.some((e) => e.id === body.event)) {
    throw cannot('body.event', body.event, 'the id of an event of this batch');
  }
  return { id: event.id, isNew: await appendEvent(db, batchId, event) };
}
