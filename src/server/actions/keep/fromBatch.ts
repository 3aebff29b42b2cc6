import type pg from 'pg';
import { v5 } from 'uuid';
import type { Batch } from '../../../core/batch/record';
import { batchState } from '../../../core/batch/state';
import type { KeepEvent } from '../../../core/keep/events';
import { lotState } from '../../../core/keep/safe/fold';
import { allergensOn, costIn, kitchenThen, stepsOf } from '../../../core/keep/soup/keptPot';
import type { House } from '../../../core/kitchen/house';
import { transaction } from '../../data/database';
import { readLiveBatches } from '../../queries/batches';
import { appendLine, holdLot, moveRow, openRow, readLineOwner, readLot } from '../../queries/keep';
import { seal } from '../../queries/record/seals';

/** Namespace of the ids of lines the server writes itself: the same cause gives the same line. */
export const OWN = '8d3f3a52-5a0e-4c9d-8d0e-6f6a1b7a2c10';

/**
 * How a batch that was finished hot is put by: in its pot, where the house keeps hot, or on the worktop until it
 * is said how it is cooled.
 */
function putBy(batch: Batch, house: House): KeepEvent | null {
  const { finished } = batchState(batch);
  if (!finished || (finished.goesTo !== 'hold' && finished.goesTo !== 'cool')) return null;
  const kinds = finished.goesTo === 'hold' ? ['bath', 'ring'] : ['worktop', 'cold room', 'fridge'];
  const place =
    kinds.flatMap((kind) => house.keeping.places.find((p) => p.kind === kind) ?? [])[0] ??
    house.keeping.places[0];
  if (!place) return null;
  const steps = stepsOf(batch);
  const kitchen = kitchenThen(batch, house.kitchen);
  const ml = Math.max(1, Math.round(finished.yieldMl ?? batch.plan.litres * 1000));
  const event = batch.events.findLast((e) => e.body.kind === 'finished');
  return {
    id: v5(event?.id ?? batch.id, OWN),
    at: finished.at,
    station: event?.station ?? 'Stove',
    ...(event?.via && { via: event.via }),
    body: {
      kind: 'put by',
      what: 'soup',
      name: batch.plan.recipeName.slice(0, 80),
      batch: batch.id,
      madeAt: finished.at,
      ml,
      allergens: [...allergensOn(steps, kitchen)],
      container: { kind: 'pot', vessel: batch.plan.vesselId },
      place: place.id,
      ...costIn(steps, kitchen, ml),
    },
  };
}

/** Puts by a batch that was finished to be kept, once: what it was finished by names the line. */
export async function openFromBatch(pool: pg.Pool, house: House, batch: Batch): Promise<void> {
  const event = putBy(batch, house);
  if (!event) return;
  await transaction(async (db) => {
    await holdLot(db, batch.id);
    if (await readLineOwner(db, event.id)) return;
    await openRow(db, { id: batch.id, kitchenId: house.id, batchId: batch.id, at: event.at });
    await appendLine(db, house.id, batch.id, event);
    await moveRow(
      db,
      batch.id,
      lotState((await readLot(db, house.id, batch.id)) ?? { id: batch.id, events: [] }, house.keeping),
    );
    await seal(db, house.id, [{ source: 'keep_event', ids: [event.id] }]);
  }, pool);
}

/** Batches finished to be kept whose first line was never written: a server ended between the two. */
export async function openMissing(pool: pg.Pool, house: House): Promise<void> {
  for (const batch of await readLiveBatches(pool, house.id)) {
    const { stage } = batchState(batch);
    if (stage === 'hold' || stage === 'cool') await openFromBatch(pool, house, batch);
  }
}
