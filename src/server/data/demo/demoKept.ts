import { randomUUID } from 'node:crypto';
import type pg from 'pg';
import type { BatchEvent, EventBody } from '../../../core/batch/events';
import { middleOf } from '../../../core/flow/bands';
import type { KeepBody, KeepEvent } from '../../../core/keep/events';
import { lotState } from '../../../core/keep/safe/fold';
import { allergensOn, costIn } from '../../../core/keep/soup/keptPot';
import type { House } from '../../../core/kitchen/house';
import { dayOf } from '../../../core/units/clock';
import { plannedBatch } from '../../actions/batches';
import { appendEvent, UNBOUND, writeBatch } from '../../queries/batches';
import { appendLine, moveRow, openRow, readLot } from '../../queries/keep';
import { seal } from '../../queries/record/seals';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** ms before now, and what was written down then. */
type Line = readonly [ago: number, body: KeepBody, station?: string];

/** Writes something kept with its lines, as if they had been tapped then. */
async function lotOf(
  db: pg.PoolClient,
  house: House,
  now: number,
  id: string,
  batch: string | null,
  lines: readonly Line[],
): Promise<void> {
  const at = (ago: number) => new Date(now - ago).toISOString();
  await openRow(db, { id, kitchenId: house.id, batchId: batch, at: at(lines[0]?.[0] ?? 0) });
  const ids: string[] = [];
  for (const [ago, body, station = 'Closer'] of lines) {
    const event: KeepEvent = { id: randomUUID(), at: at(ago), receivedAt: at(ago), station, body };
    await appendLine(db, house.id, id, event, true);
    ids.push(event.id);
  }
  const lot = await readLot(db, house.id, id);
  await moveRow(db, id, lot && lotState(lot, house.keeping));
  await seal(db, house.id, [{ source: 'keep_event', ids }]);
}

/** A batch cooked and finished by its plan `endedAgo` ms before now, with nothing left of it in its pot. */
async function cooked(
  db: pg.PoolClient,
  house: House,
  now: number,
  order: {
    readonly recipeId: string;
    readonly litres: number;
    readonly band: 'Coating' | 'Hearty' | 'Light';
    readonly vesselId: string;
    readonly burnerId: string;
  },
  endedAgo: number,
  goesTo: 'hold' | 'cool',
) {
  const { band, ...rest } = order;
  const id = randomUUID();
  const draft = {
    ...rest,
    id,
    target: Math.round(middleOf(band, house.kitchen.bandLimits)),
    startedAt: new Date(now - endedAgo).toISOString(),
  };
  const planned = await plannedBatch(db, draft);
  const startedAt = now - endedAgo - planned.plan.seconds * 1000;
  const batch = {
    ...planned,
    startedAt: new Date(startedAt).toISOString(),
    receivedAt: new Date(startedAt).toISOString(),
  };
  await writeBatch(db, batch);
  const ml = Math.round(planned.plan.litres * 1000);
  const taps: readonly (readonly [number, EventBody])[] = [
    ...planned.plan.steps.map(
      (s, step) => [startedAt + (s.startsAt + s.seconds) * 1000, { kind: 'step-done', step }] as const,
    ),
    [now - endedAgo, { kind: 'finished', goesTo, yieldMl: ml, score: 4 }],
    [now - endedAgo + 4 * MINUTE, { kind: 'cleared' }],
  ];
  for (const [ms, body] of taps) {
    const at = new Date(ms).toISOString();
    const event: BatchEvent = { id: randomUUID(), at, receivedAt: at, station: 'Opener', body };
    await appendEvent(db, id, event, { ...UNBOUND, archived: true });
  }
  const steps = planned.plan.steps.flatMap((s) => s.does ?? []);
  return {
    id,
    put: {
      kind: 'put by',
      what: 'soup',
      name: planned.plan.recipeName,
      batch: id,
      madeAt: new Date(now - endedAgo).toISOString(),
      ml,
      allergens: [...allergensOn(steps, house.kitchen)],
      container: { kind: 'pot', vessel: order.vesselId },
      place: goesTo === 'hold' ? 'bath' : 'worktop',
      ...costIn(steps, house.kitchen, ml),
    } satisfies KeepBody,
  };
}

const pans = (pan: string, count: number) => ({ kind: 'pans', pan, count }) as const;
const temperature = (celsius: number, from?: string): KeepBody => ({
  kind: 'temperature',
  celsius,
  ...(from && { from }),
});

/**
 * What Quay House Canteen keeps as of now: one soup on the pass, one that cools, a shelf, and one that was cooled too slowly
 * and thrown away with its record. Everything invented.
 */
export async function loadKept(db: pg.PoolClient, house: House, now: number): Promise<void> {
  const ago = (days: number, hours = 0): number => days * DAY + hours * HOUR;
  const check = (back: number, probe: string, celsius: number): Promise<void> =>
    kitchenLine(db, house, now - back, { kind: 'probe checked', probe, point: 'ice', celsius, expected: 0 });
  await check(ago(2), 'Probe 1', 0.3);
  await check(ago(2), 'Probe 2', -0.2);

  const put = (
    what: 'stock' | 'purée' | 'roux' | 'kneaded butter' | 'soup',
    name: string,
    days: number,
    ml: number,
    container: ReturnType<typeof pans>,
    place: string,
    allergens: ('milk' | 'wheat' | 'crustaceans' | 'celery' | 'fish')[],
  ): readonly Line[] => {
    const cooked = what === 'stock' || what === 'purée' || what === 'soup';
    const body: KeepBody = {
      kind: 'put by',
      what,
      name,
      madeAt: new Date(now - days).toISOString(),
      ml,
      allergens,
      container,
      place: cooked ? 'worktop' : place,
      ...(cooked && { celsius: 82 }),
    };
    if (!cooked) return [[days, body, 'Opener']];
    // As it is done here: into the blast at once, read as it goes, stored once it is cold.
    return [
      [days, body, 'Opener'],
      [days - 6 * MINUTE, { kind: 'set to cool', way: { into: container, place: 'blast' } }, 'Opener'],
      [days - 25 * MINUTE, temperature(58.4, 'Probe 1'), 'Opener'],
      [days - 45 * MINUTE, temperature(39.2, 'Probe 1'), 'Opener'],
      [days - 90 * MINUTE, temperature(15.6, 'Probe 1'), 'Opener'],
      [days - 165 * MINUTE, temperature(3.4, 'Probe 1'), 'Opener'],
      [days - 166 * MINUTE, { kind: 'cooled', place }, 'Opener'],
    ];
  };
  const shelf: readonly (readonly Line[])[] = [
    [
      ...put('stock', 'White vegetable stock', ago(1, 3), 6000, pans('tub-2', 4), 'fridge', ['celery']),
      [ago(0, 5), { kind: 'taken', ml: 1500 }, 'Opener'],
    ],
    [...put('stock', 'Shell stock', ago(9), 5400, pans('tub-2', 3), 'freezer', ['crustaceans', 'celery'])],
    [...put('purée', 'Roast carrot purée', ago(3, 20), 3200, pans('half-100', 1), 'fridge', [])],
    [...put('roux', 'Blond roux', ago(3), 900, pans('tub-2', 1), 'fridge', ['milk', 'wheat'])],
    [
      ...put('kneaded butter', 'Kneaded butter', ago(2), 600, pans('tub-2', 1), 'fridge', ['milk', 'wheat']),
      [ago(1), { kind: 'labelled', count: 1, size: 'roll 62', again: false }],
    ],
    [...put('soup', 'Green pea and lettuce cream', ago(2, 2), 4800, pans('tub-2', 3), 'fridge', ['milk'])],
    [
      ...put('soup', 'Celeriac and pear cream', ago(6, 3), 7200, pans('tub-2', 4), 'freezer', [
        'celery',
        'milk',
      ]),
      [ago(6, 1), { kind: 'labelled', count: 4, size: 'A4', again: false }],
    ],
    [...put('purée', 'Jacket potato mash', ago(1, 1), 2600, pans('half-100', 1), 'cold-room', ['milk'])],
  ];
  for (const lines of shelf) await lotOf(db, house, now, randomUUID(), null, lines);

  // Cooled in its pot, found too warm, thrown away: the record says it all.
  const lost = randomUUID();
  await lotOf(db, house, now, lost, null, [
    [
      ago(1, 4),
      {
        kind: 'put by',
        what: 'soup',
        name: 'Jacket potato soup',
        madeAt: new Date(now - ago(1, 4)).toISOString(),
        ml: 9500,
        allergens: ['milk'],
        container: { kind: 'pot', vessel: 'tall-steel-36' },
        place: 'worktop',
        celsius: 84,
        costPerL: 2.1,
      },
      'Closer',
    ],
    [ago(1, 3) + 30 * MINUTE, temperature(74, 'Probe 2'), 'Closer'],
    [ago(1, 2), temperature(61, 'Probe 2'), 'Closer'],
    [ago(1, 1), temperature(52, 'Probe 2'), 'Closer'],
    [ago(0, 22), temperature(34, 'Probe 2'), 'Closer'],
    [
      ago(0, 22) - 5 * MINUTE,
      { kind: 'put right', what: 'three and a half hours over 21 °C: next time in pans, in the blast' },
      'Lead',
    ],
    [
      ago(0, 22) - 8 * MINUTE,
      { kind: 'thrown away', ml: 9500, why: 'cooled too slowly', cost: 19.95 },
      'Lead',
    ],
  ]);

  const cooling = await cooked(
    db,
    house,
    now,
    {
      recipeId: 'cockle-and-leek-chowder',
      litres: 12,
      band: 'Hearty',
      vesselId: 'tall-steel-36',
      burnerId: 'back-plate',
    },
    52 * MINUTE,
    'cool',
  );
  await lotOf(db, house, now, cooling.id, cooling.id, [
    [52 * MINUTE, cooling.put],
    [50 * MINUTE, temperature(84, 'Probe 2')],
    [48 * MINUTE, { kind: 'set to cool', way: { into: pans('full-65', 4), place: 'cold-room' } }],
    [30 * MINUTE, temperature(57.5, 'Probe 2')],
    [11 * MINUTE, temperature(41, 'Probe 2')],
  ]);
  const hot = await cooked(
    db,
    house,
    now,
    {
      recipeId: 'roast-carrot-cream',
      litres: 8,
      band: 'Coating',
      vesselId: 'middle-28',
      burnerId: 'front-left',
    },
    95 * MINUTE,
    'hold',
  );
  await lotOf(db, house, now, hot.id, hot.id, [
    [95 * MINUTE, hot.put],
    [91 * MINUTE, { kind: 'kept hot', place: 'bath', lid: false, container: pans('half-100', 2) }],
    [90 * MINUTE, temperature(78, 'Probe 1')],
    [34 * MINUTE, temperature(71, 'Probe 1')],
    [12 * MINUTE, { kind: 'taken', ml: 1600 }],
  ]);
  await kitchenLine(db, house, now - ago(0, 20), {
    kind: 'signed',
    from: dayOf(new Date(now - ago(1)), house.keeping.dayEnds),
    to: dayOf(new Date(now - ago(1)), house.keeping.dayEnds),
    by: 'Lead',
    note: 'Jacket potato talked over with the closer.',
  });
}

async function kitchenLine(db: pg.PoolClient, house: House, ms: number, body: KeepBody): Promise<void> {
  const at = new Date(ms).toISOString();
  const event: KeepEvent = { id: randomUUID(), at, receivedAt: at, station: 'Lead', body };
  await appendLine(db, house.id, null, event, true);
  await seal(db, house.id, [{ source: 'keep_event', ids: [event.id] }]);
}
