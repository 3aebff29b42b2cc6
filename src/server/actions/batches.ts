import type pg from 'pg';
import * as z from 'zod';
import type { StartRequest } from '../../contract/batches';
import type { RecordedEvent } from '../../contract/routes';
import { BatchEvent } from '../../core/batch/events';
import type { Batch } from '../../core/batch/record';
import { toRecord } from '../../core/batch/toRecord';
import { message } from '../../core/message/message';
import { garnishOf } from '../../core/plan/bowl/garnish';
import { garnishHow } from '../../core/plan/bowl/garnishWords';
import type { Plan } from '../../core/plan/types';
import { DAY_MS } from '../../core/units/moment';
import type { Queryable } from '../data/database';
import { transaction } from '../data/database';
import { keyed } from '../guard/asking';
import { written } from '../guard/lines';
import {
  appendEvent,
  type Bounds,
  holdStand,
  type NewBatch,
  readBatch,
  readInUse,
  readLimits,
  writeBatch,
} from '../queries/batches';
import { claimRecipe, type RecipeBody, setArchived, writeVersion } from '../queries/recipes';
import { accept, cannot, taken, unknown } from '../refusal';
import { gathered } from './gathered';
import { planStored, refuseUncookable } from './planning';

/** Refuses a moment further than a day from now: a clock that is wrong, or a slip. */
function nearNow(field: string, at: string, now: number): void {
  if (Math.abs(Date.parse(at) - now) <= DAY_MS) return;
  throw cannot(field, at, message('within a day of now, {now}', { now: new Date(now).toISOString() }));
}

/** Served within a week of its start, and not before it. */
const LONGEST_AHEAD = 7 * DAY_MS;

/** What is held back for the bowls, as a batch keeps it. */
function bowlOf(plan: Plan, { garnish = [], ladleMl }: StartRequest) {
  if (garnish.length === 0) return {};
  return {
    garnish: garnishOf(plan, garnish, ladleMl).map((l) => ({
      name: l.name,
      each: l.each,
      g: l.raw,
      portions: l.portions,
      how: garnishHow(l),
    })),
  };
}

/** A batch as `request` asks for it, planned and fit to be written. */
export async function plannedBatch(db: Queryable, request: StartRequest): Promise<NewBatch> {
  const { startedAt, serveAt } = request;
  nearNow('startedAt', startedAt, Date.now());
  if (serveAt) {
    const ahead = Date.parse(serveAt) - Date.parse(startedAt);
    if (ahead < -DAY_MS || ahead > LONGEST_AHEAD)
      throw cannot('serveAt', serveAt, message('from a day before the start to a week after'));
  }
  const { house, plan, recipe, recipeVersion, keeps } = await planStored(db, request);
  refuseUncookable(plan, house.show);
  return {
    id: request.id,
    kitchenId: house.id,
    recipeId: request.recipeId,
    recipeVersion,
    plan: { ...toRecord(plan, recipe), ...bowlOf(plan, request) },
    startedAt,
    serveAt: serveAt ?? null,
    ...(keeps && { keeps }),
  };
}

/** Refuses a pot another live batch stands in, unless the cook has said that this is meant. */
async function refuseTaken(db: Queryable, batch: NewBatch): Promise<void> {
  const here = (await readInUse(db, batch.kitchenId)).find((u) => u.vesselId === batch.plan.vesselId);
  if (!here) return;
  throw taken(
    'vesselId',
    message('{pot} is on the stove with {recipe}', { pot: batch.plan.vesselName, recipe: here.recipeName }),
    message('take another pot, end that batch first, or start this one all the same'),
  );
}

/** Refuses a pot or burner that was taken out of the kitchen while the batch was planned. */
async function refuseGone(db: Queryable, { kitchenId, plan }: NewBatch): Promise<void> {
  const gone = await holdStand(db, kitchenId, plan.vesselId, plan.cooked?.burner.id ?? null);
  if (gone)
    throw taken(
      gone,
      message('it was taken out of the kitchen just now'),
      message('plan again with another'),
    );
}

/** Keeps the recipe of a stock made here when it is first cooked, put away: it is the house's to change from then on. */
async function keepMaking(db: Queryable, kitchenId: string, body: RecipeBody): Promise<void> {
  if (!(await claimRecipe(db, kitchenId, body.id))) return;
  await writeVersion(db, kitchenId, body, { note: 'as Panache makes it' });
  await setArchived(db, kitchenId, body.id, true);
}

/**
 * Writes a planned batch. The same id twice writes it once and answers the same. Two stations that start in
 * one pot at the same moment are taken one after the other: the second is asked.
 */
export const begin = (
  pool: pg.Pool,
  batch: NewBatch,
  how: { readonly anyway?: boolean } = {},
): Promise<{ id: string; isNew: boolean }> => transaction((db) => beginIn(db, batch, how), pool);

/** As {@link begin}, in a transaction there is. */
export const beginIn = async (
  db: Queryable,
  batch: NewBatch,
  { anyway = false }: { readonly anyway?: boolean | undefined } = {},
): Promise<{ id: string; isNew: boolean }> => {
  await db.query('SELECT pg_advisory_xact_lock(hashtext($1), hashtext($2))', [
    batch.kitchenId,
    batch.plan.vesselId,
  ]);
  const { rowCount } = await db.query('SELECT 1 FROM batch WHERE id = $1', [batch.id]);
  if (rowCount) return { id: batch.id, isNew: false };
  await refuseGone(db, batch);
  if (!anyway) await refuseTaken(db, batch);
  if (batch.keeps) await keepMaking(db, batch.kitchenId, batch.keeps);
  return { id: batch.id, isNew: await writeBatch(db, { ...batch, via: keyed('').via }) };
};

/** Plans and writes a batch: {@link plannedBatch}, {@link begin}. */
export const startBatch = async (
  pool: pg.Pool,
  request: StartRequest,
): Promise<{ id: string; isNew: boolean }> =>
  begin(pool, await plannedBatch(pool, request), { anyway: request.anyway ?? false });

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

/**
 * Appends one event to a batch, after checking that it speaks of something the batch has and of a time it
 * can have happened. One that waited on its station is taken however late it comes.
 */
export async function recordEvent(db: Queryable, batchId: string, input: unknown): Promise<RecordedEvent> {
  // When the server took it, and from whom, is the server's to say.
  const event = written(accept(BatchEvent, input));
  const { id, body } = event;
  if (!z.uuid().safeParse(batchId).success) throw unknown('batch', batchId, []);
  const bounds = boundsOf(event);
  if (await gathered(db, { batch: batchId, event, bounds })) return { id, isNew: true };
  const limits = await readLimits(db, batchId, id, bounds.event);
  if (!limits) throw unknown('batch', batchId, []);
  if (limits.knownIn === batchId.toLowerCase()) return { id, isNew: false };
  if (limits.knownIn !== null)
    throw taken(
      'id',
      message('{id} is the id of an event of another batch', { id }),
      message('an id of its own for each event'),
    );
  const { step, depthMm, ml } = bounds;
  const { rimMm, rimMl, startedAt, now } = limits;
  const at = Date.parse(event.at);
  if (at - now.getTime() > DAY_MS)
    throw cannot('at', event.at, message('at most a day from now, {now}', { now: now.toISOString() }));
  if (at - startedAt.getTime() < -DAY_MS)
    throw cannot(
      'at',
      event.at,
      message('at most a day before the batch began, {began}', { began: startedAt.toISOString() }),
    );
  if (step !== null && step >= limits.steps)
    throw cannot(
      'body.step',
      String(step),
      message('a step of this batch, 0 to {last}', { last: limits.steps - 1 }),
    );
  if (bounds.event !== null && !limits.hasEvent)
    throw cannot(
      EVENT_FIELD[body.kind] ?? 'body.step',
      bounds.event,
      message('the id of an event of this batch'),
    );
  if (depthMm !== null && rimMm !== null && depthMm > rimMm)
    throw cannot(
      'body.mm',
      message('{mm} mm is above the rim', { mm: depthMm }),
      message('at most {mm} mm in this pot', { mm: Math.round(rimMm) }),
    );
  if (ml !== null && rimMl !== null && ml > rimMl)
    throw cannot(
      'body.ml',
      message('{ml} mL is over the rim', { ml: Math.round(ml) }),
      message('at most {ml} mL in this pot', { ml: Math.round(rimMl) }),
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
