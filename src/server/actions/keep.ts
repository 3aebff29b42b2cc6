import type pg from 'pg';
import { v5 } from 'uuid';
import * as z from 'zod';
import type { BatchEvent } from '../../core/batch/events';
import type { Batch } from '../../core/batch/record';
import { batchState } from '../../core/batch/state';
import { rimVolume } from '../../core/heat/vessel';
import type { House } from '../../core/house/house';
import { panHolds } from '../../core/keep/cool/body';
import { type Container, KeepEvent, OF_THE_KITCHEN } from '../../core/keep/events';
import { type Lot, type LotState, lotState, placeOf } from '../../core/keep/lot';
import { probeStanding } from '../../core/keep/probes';
import { allergensOf, costOf, stepsOf } from '../../core/keep/soup/keptPot';
import { rulesIn } from '../../core/keep/standing';
import { message } from '../../core/message/message';
import type { Head } from '../../core/record/chain';
import { DAY_MS } from '../../core/units/moment';
import { type Queryable, transaction } from '../data/database';
import { appendEvents, readBatch, readLiveBatches, UNBOUND } from '../queries/batches';
import {
  appendLine,
  holdLot,
  moveRow,
  openRow,
  readFilmLines,
  readKitchenLines,
  readLineOwner,
  readLot,
  readLots,
} from '../queries/keep';
import { readHead, seal } from '../queries/seals';
import { accept, cannot, taken, unknown } from '../refusal';
import { theHouse } from './kitchen';

/** Namespace of the ids of lines the server writes itself: the same cause gives the same line. */
const OWN = '8d3f3a52-5a0e-4c9d-8d0e-6f6a1b7a2c10';

/** All of what is kept here, and what it is judged by. */
export type KeepOpened = {
  readonly lots: readonly Lot[];
  readonly kitchenLines: readonly KeepEvent[];
  readonly filmLines: readonly KeepEvent[];
  readonly head: Head;
  /** What it is kept in and at. */
  readonly house: Pick<House, 'keeping' | 'vessels'>;
};

/** What is kept as it stands; with `mend` a batch finished to be kept whose first line is missing is put by first. */
export async function openKeep(pool: pg.Pool, { mend = false } = {}): Promise<KeepOpened> {
  const house = await theHouse(pool);
  if (mend) await openMissing(pool, house);
  const [lots, kitchenLines, filmLines, head] = await Promise.all([
    readLots(pool, house.id),
    readKitchenLines(pool, house.id),
    readFilmLines(pool, house.id),
    readHead(pool, house.id),
  ]);
  return { lots, kitchenLines, filmLines, head, house: { keeping: house.keeping, vessels: house.vessels } };
}

/** How a batch that was finished hot is put by: in its pot, where the house keeps hot, or on the worktop until it is said how it is cooled. */
function putBy(batch: Batch, house: House): KeepEvent | null {
  const { finished } = batchState(batch);
  if (!finished || (finished.goesTo !== 'hold' && finished.goesTo !== 'cool')) return null;
  const kinds = finished.goesTo === 'hold' ? ['bath', 'ring'] : ['worktop', 'cold room', 'fridge'];
  const place =
    kinds.flatMap((kind) => house.keeping.places.find((p) => p.kind === kind) ?? [])[0] ??
    house.keeping.places[0];
  if (!place) return null;
  const steps = stepsOf(batch);
  const kitchen = {
    ...house.kitchen,
    products:
      (batch.plan.cooked?.kitchen.products as typeof house.kitchen.products) ?? house.kitchen.products,
  };
  const ml = Math.max(1, Math.round(finished.yieldMl ?? batch.plan.litres * 1000));
  const cost = costOf(steps, kitchen);
  const event = batch.events.findLast((e) => e.body.kind === 'finished');
  return {
    id: v5(event?.id ?? batch.id, OWN),
    at: finished.at,
    station: event?.station ?? 'Stove',
    body: {
      kind: 'put by',
      what: 'soup',
      name: batch.plan.recipeName.slice(0, 80),
      batch: batch.id,
      madeAt: finished.at,
      ml,
      allergens: [...allergensOf(steps, kitchen)],
      container: { kind: 'pot', vessel: batch.plan.vesselId },
      place: place.id,
      ...(cost !== null && { costPerL: Math.round((cost / ml) * 100_000) / 100 }),
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

/** After a line of a batch: finished to be kept, it is put by; that taken back, it is not. */
export async function afterBatchEvent(pool: pg.Pool, batchId: string, { body }: BatchEvent): Promise<void> {
  const kept = body.kind === 'finished' && (body.goesTo === 'hold' || body.goesTo === 'cool');
  if (!kept && body.kind !== 'withdrawn') return;
  const house = await theHouse(pool);
  const batch = await readBatch(pool, batchId);
  if (!batch) return;
  if (kept) return openFromBatch(pool, house, batch);
  if (body.kind !== 'withdrawn') return;
  const line = v5(body.event, OWN);
  if (!(await readLineOwner(pool, line))) return;
  await recordKeep(pool, batchId, {
    id: v5(`withdrawn ${body.event}`, OWN),
    at: new Date().toISOString(),
    station: 'Stove',
    body: { kind: 'withdrawn', event: line },
  });
}

/** Batches finished to be kept whose first line was never written: a server ended between the two. */
async function openMissing(pool: pg.Pool, house: House): Promise<void> {
  for (const batch of await readLiveBatches(pool, house.id)) {
    const { stage } = batchState(batch);
    if (stage === 'hold' || stage === 'cool') await openFromBatch(pool, house, batch);
  }
}

/** Refuses a container or place the kitchen has not, and one that does not hold it. */
function refuseUnfit(house: House, field: string, container: Container, ml: number): void {
  const { vessels, keeping } = house;
  if (container.kind === 'pot') {
    const vessel = vessels.find((v) => v.id === container.vessel);
    if (!vessel)
      throw unknown(
        `${field}.vessel`,
        container.vessel,
        vessels.map((v) => v.id),
      );
    if (ml > rimVolume(vessel))
      throw cannot(
        field,
        message('{ml}', { ml: { ml } }),
        message('at most {most} in this pot', { most: { ml: rimVolume(vessel) } }),
      );
    return;
  }
  const pan = keeping.pans.find((p) => p.id === container.pan);
  if (!pan)
    throw unknown(
      `${field}.pan`,
      container.pan,
      keeping.pans.map((p) => p.id),
    );
  const most = panHolds(pan) * container.count;
  if (ml > most * 1.02)
    throw cannot(
      field,
      message('{ml}', { ml: { ml } }),
      message('at most {most} in {count} × {pan}', {
        most: { ml: most },
        count: container.count,
        pan: pan.name,
      }),
    );
}

function refusePlace({ keeping }: House, field: string, id: string): void {
  if (!placeOf(keeping, id))
    throw unknown(
      field,
      id,
      keeping.places.map((p) => p.id),
    );
}

const noMore = (state: LotState, ml: number): void => {
  if (ml <= state.ml + 1) return;
  throw cannot(
    'body.ml',
    message('{ml}', { ml: { ml } }),
    message('at most the {left} that are left', { left: { ml: state.ml } }),
  );
};

/** Refuses what cannot be true of the thing as it stands. */
function refuseUntrue(
  house: House,
  lot: Lot,
  state: LotState,
  event: KeepEvent,
  kitchenLines: readonly KeepEvent[],
): void {
  const { body } = event;
  const at = Date.parse(event.at);
  const over = state.over !== null;
  const ends = body.kind === 'withdrawn' || body.kind === 'note' || body.kind === 'put right';
  if (over && !ends) {
    const field = body.kind === 'labelled' ? 'body.count' : 'body.kind';
    throw cannot(field, body.kind, message('nothing of it is left'));
  }
  if (at < state.putAt - 1000)
    throw cannot(
      'at',
      event.at,
      message('not before it was put by, {at}', { at: new Date(state.putAt).toISOString() }),
    );
  switch (body.kind) {
    case 'temperature': {
      const last = lot.events.findLast((e) => e.body.kind === 'temperature' && e.station === event.station);
      if (last && at < Date.parse(last.at))
        throw cannot('at', event.at, message('after the last reading, {at}', { at: last.at }));
      if (body.from && probeStanding(body.from, kitchenLines, Date.now()).out)
        throw cannot(
          'body.from',
          body.from,
          message('this probe is out by more than a degree: put it right first, or take another'),
        );
      break;
    }
    case 'set to cool':
      refusePlace(house, 'body.way.place', body.way.place);
      refuseUnfit(house, 'body.way.into', body.way.into, state.ml);
      break;
    case 'kept hot':
      refusePlace(house, 'body.place', body.place);
      if (body.container) refuseUnfit(house, 'body.container', body.container, state.ml);
      if (['cold', 'frozen', 'thawing'].includes(state.stage))
        throw cannot('body.kind', body.kind, message('it is cold: reheat it first'));
      break;
    case 'cooled':
      refusePlace(house, 'body.place', body.place);
      break;
    case 'moved':
      refusePlace(house, 'body.place', body.place);
      if (body.container) refuseUnfit(house, 'body.container', body.container, state.ml);
      break;
    case 'taken':
    case 'parted':
    case 'thrown away':
      noMore(state, body.ml);
      break;
    case 'topped up':
      throw cannot(
        'body.kind',
        message('new onto old'),
        message(
          'put the new by on its own: it would be dated by the old, and warm the old through its danger zone',
        ),
      );
    case 'reheating': {
      if (state.reheats > 0)
        throw cannot(
          'body.kind',
          body.kind,
          message('it was reheated once: what is left is served or thrown away'),
        );
      if (body.ml !== undefined) noMore(state, body.ml);
      refuseUnfit(house, 'body', { kind: 'pot', vessel: body.vessel }, body.ml ?? state.ml);
      if (!house.burners.some((b) => b.id === body.burner))
        throw unknown(
          'body.burner',
          body.burner,
          house.burners.map((b) => b.id),
        );
      break;
    }
    case 'reheated': {
      const { to, forSeconds } = rulesIn(house).reheat;
      if (body.place) refusePlace(house, 'body.place', body.place);
      if (state.stage !== 'reheating')
        throw cannot('body.kind', body.kind, message('it is not being reheated'));
      if (body.celsius < to)
        throw cannot(
          'body.celsius',
          message('{celsius}', { celsius: { celsius: body.celsius } }),
          message('at least {to}: go on heating', { to: { celsius: to } }),
        );
      if (body.seconds < forSeconds)
        throw cannot(
          'body.seconds',
          String(body.seconds),
          message('held for {seconds} s at least', { seconds: forSeconds }),
        );
      break;
    }
    case 'withdrawn':
      if (!lot.events.some((e) => e.id === body.event))
        throw cannot('body.event', body.event, message('the id of an event of this batch'));
      break;
  }
}

/** Refuses a moment no line can have. */
function refuseMoment(at: string): void {
  const now = Date.now();
  if (Date.parse(at) - now > DAY_MS)
    throw cannot('at', at, message('at most a day from now, {now}', { now: new Date(now).toISOString() }));
}

export type Recorded = { readonly id: string; readonly isNew: boolean; readonly head: Head };

/** Writes a line of the kitchen: a probe checked or put right, days signed. */
async function recordOfKitchen(pool: pg.Pool, house: House, event: KeepEvent): Promise<Recorded> {
  const { body } = event;
  if (!OF_THE_KITCHEN.has(body.kind) && body.kind !== 'withdrawn')
    throw cannot(
      'body.kind',
      body.kind,
      message('one of {known}', { known: { listed: [...OF_THE_KITCHEN] } }),
    );
  if (body.kind === 'signed' && body.to < body.from)
    throw cannot('body.to', body.to, message('not before {from}', { from: body.from }));
  return transaction(async (db) => {
    const isNew = await appendLine(db, house.id, null, event);
    const head = isNew
      ? await seal(db, house.id, [{ source: 'keep_event', ids: [event.id] }])
      : await readHead(db, house.id);
    return { id: event.id, isNew, head };
  }, pool);
}

/** Writes a line of something kept, or of the kitchen where `lotId` is “kitchen”. Refuses what cannot be true, by its field. The same id twice is kept once. */
export async function recordKeep(pool: pg.Pool, lotId: string, input: unknown): Promise<Recorded> {
  const { receivedAt: _claimed, ...event } = accept(KeepEvent, input);
  const house = await theHouse(pool);
  refuseMoment(event.at);
  if (lotId === 'kitchen') return recordOfKitchen(pool, house, event);
  const id = z.uuid().safeParse(lotId);
  if (!id.success) throw unknown('lot', lotId, []);
  if (OF_THE_KITCHEN.has(event.body.kind))
    throw cannot('body.kind', event.body.kind, message('a line of something kept'));
  return transaction(async (db) => {
    await holdLot(db, id.data);
    const known = await readLineOwner(db, event.id);
    if (known) {
      if (known.lot !== id.data.toLowerCase())
        throw taken(
          'id',
          message('{id} is the id of an event of another batch', { id: event.id }),
          message('an id of its own for each event'),
        );
      return { id: event.id, isNew: false, head: await readHead(db, house.id) };
    }
    const lot = await readLot(db, house.id, id.data);
    const before = lot && lotState(lot, house.keeping);
    if (event.body.kind === 'put by') await open(db, house, id.data, before, event);
    else if (!lot || !before) throw unknown('lot', lotId, []);
    else refuseUntrue(house, lot, before, event, await readKitchenLines(db, house.id));
    await appendLine(db, house.id, id.data, event);
    const after = lotState({ id: id.data, events: [...(lot?.events ?? []), event] }, house.keeping);
    await moveRow(db, id.data, after);
    const batchLine = await leavesPot(db, lot, before, after, event);
    const head = await seal(db, house.id, [{ source: 'keep_event', ids: [event.id] }]);
    return { id: event.id, isNew: true, head: batchLine ? await readHead(db, house.id) : head };
  }, pool);
}

async function open(
  db: Queryable,
  house: House,
  id: string,
  before: LotState | null,
  event: KeepEvent,
): Promise<void> {
  const { body } = event;
  if (body.kind !== 'put by') return;
  if (before)
    throw taken(
      'body.kind',
      message('it is put by already'),
      message('an id of its own for each thing kept'),
    );
  refusePlace(house, 'body.place', body.place);
  refuseUnfit(house, 'body.container', body.container, body.ml);
  if (Date.parse(body.madeAt) > Date.parse(event.at) + 60_000)
    throw cannot('body.madeAt', body.madeAt, message('not after it is put by, {at}', { at: event.at }));
  if (body.batch && !(await readBatch(db, body.batch))) throw unknown('body.batch', body.batch, []);
  await openRow(db, { id, kitchenId: house.id, batchId: body.batch ?? null, at: event.at });
}

/** What was in a batch's pot and is no longer: the batch is over, and its pot free. */
async function leavesPot(
  db: Queryable,
  lot: Lot | null,
  before: LotState | null,
  after: LotState | null,
  event: KeepEvent,
): Promise<boolean> {
  const batch = before?.put.batch;
  if (!lot || !before || !batch || batch !== lot.id) return false;
  const inPot = (s: LotState | null) =>
    s !== null && !s.over && s.container.kind === 'pot' && ['hot', 'cooling'].includes(s.stage);
  if (!inPot(before) || inPot(after)) return false;
  await appendEvents(db, [
    {
      batch,
      event: {
        id: v5(`cleared ${event.id}`, OWN),
        at: event.at,
        station: event.station,
        body: { kind: 'cleared' },
      },
      bounds: UNBOUND,
    },
  ]);
  return true;
}

/** One thing kept, over or not, by its id. Refuses one that is none’s. */
export async function theLot(db: Queryable, id: string): Promise<Lot> {
  const house = await theHouse(db);
  const lot = z.uuid().safeParse(id).success ? await readLot(db, house.id, id) : null;
  if (!lot) throw unknown('lot', id, []);
  return lot;
}
