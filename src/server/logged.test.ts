import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type pg from 'pg';
import { cookedBatch, type Hidden } from '../../demo/cook';
import { demoRecipe } from '../../demo/demo';
import type { Batch } from '../core/batch/record';
import { landedAs } from '../core/log/logged';
import { normals, seeded } from '../core/maths/random';
import { planFor } from '../core/plan/plan';
import { inEnglish } from '../core/text/inWords';
import { dayOf } from '../core/units/clock';
import { METRIC } from '../core/units/shown/show';
import { recordEvent } from './actions/batches';
import { openFromBatch } from './actions/keep/fromBatch';
import { recordKeep } from './actions/keep/keep';
import { keepAsCooked } from './actions/log/asCooked';
import { openGiven, openWeek } from './actions/log/days';
import { logAndLearn } from './actions/log/learn';
import {
  actOnLearning,
  houseKnows,
  loggedBatch,
  logPage,
  numberHistory,
  openLog,
  openPredicts,
} from './actions/log/log';
import { takeNotebook } from './actions/log/notebook';
import { theRecord } from './actions/record';
import { loadDemo } from './data/demo/demo';
import { refusal, testDatabase } from './data/testDatabase';
import { givenCsv, logCsv, logJson, weekPdf } from './exports/logFiles';
import { appendEvents, UNBOUND, writeBatch } from './queries/batches';
import { readHouse } from './queries/kitchen';
import { readLogged, readLoggedSoups, readWholeLog } from './queries/log';
import { readRecipe } from './queries/recipes';

let pool: pg.Pool;
let drop: () => Promise<void>;
const DAY = 86_400_000;
const FLOUR = 'flour plain-flour';

const HIDDEN: Hidden = {
  numbers: { flour: { 'plain-flour': 0.8 }, burner: { 'front-left': 0.85 } },
  pours: { Closer: 1.03 },
  pace: { weighing: 1.3 },
};

/** A chowder cooked so many days ago and written as stations write it. */
async function cooked(ago: number, { id = randomUUID(), thirds = 0, goesTo = 'pass' } = {}): Promise<Batch> {
  const house = await readHouse(pool);
  if (!house) throw new Error('the demo is loaded');
  const { batch: served } = cookedBatch({
    house,
    recipe: demoRecipe('cockle-and-leek-chowder'),
    litres: 12,
    vesselId: 'tall-steel-36',
    burnerId: 'front-left',
    startedAt: Date.now() - ago * DAY,
    station: thirds === 0 ? 'Closer' : 'Opener',
    hidden: HIDDEN,
    normal: normals(seeded(ago * 13 + thirds)),
    id,
    reads: { cup: true, ruler: true, probe: true },
  });
  const batch = {
    ...served,
    events: served.events.map((e) =>
      e.body.kind === 'finished' ? ({ ...e, body: { ...e.body, goesTo } } as typeof e) : e,
    ),
  };
  await writeBatch(pool, { ...batch, kitchenId: house.id, receivedAt: batch.startedAt });
  await appendEvents(
    pool,
    batch.events.map((event) => ({
      batch: id,
      event: { ...event, receivedAt: event.at > batch.startedAt ? event.at : batch.startedAt },
      bounds: { ...UNBOUND, archived: true },
    })),
  );
  return batch;
}

const learnAll = async () => {
  while ((await logAndLearn(pool)).left > 0);
};
const numberOf = async (key: string) => (await houseKnows(pool)).numbers.find((n) => n.key === key);

beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  await loadDemo(pool, join(process.cwd(), 'demo'));
  await learnAll();
}, 120_000);
afterAll(() => drop());

describe('batches cooked in a kitchen with weak flour and a tired burner', () => {
  const made: Batch[] = [];
  beforeAll(async () => {
    for (let n = 0; n < 5; n++) made.push(await cooked(20 - n, { thirds: n % 2 }));
    await learnAll();
  }, 120_000);

  test('each stands in the log once it is finished, with where it was foreseen and where it landed', async () => {
    const { batches, left } = await logPage(pool, { soup: 'cockle-and-leek-chowder' });
    expect(left).toBe(0);
    const own = batches.filter((b) => made.some((m) => m.id === b.id));
    expect(own).toHaveLength(5);
    for (const b of own) {
      expect(b.foreseen!.low).toBeLessThan(b.foreseen!.at);
      expect(b.role).toBe(made.find((m) => m.id === b.id)!.events.at(-1)!.station);
      expect(b.day).toBe(dayOf(new Date(b.startedAt), 4));
    }
    expect(own.filter((b) => b.measured !== null).length).toBeGreaterThanOrEqual(3);
    // The newest first.
    expect(own.map((b) => b.startedAt)).toEqual(
      own
        .map((b) => b.startedAt)
        .toSorted()
        .toReversed(),
    );
  });

  test('it is found by words of its soup, pot and role, and by nothing else', async () => {
    const ids = async (find: string) => (await logPage(pool, { find })).batches.map((b) => b.id);
    const closers = made.filter((b) => b.events[0]?.station === 'Closer').map((b) => b.id);
    expect((await ids('chow closer')).toSorted()).toEqual(closers.toSorted());
    expect(await ids('tall velouté')).not.toContain(made[0]!.id);
    expect(await ids("'; DROP TABLE logged; --")).toEqual([]);
    expect((await ids('')).length).toBeGreaterThanOrEqual(5);
  });

  test('of the recipes those are named of which anything was logged, each once', async () => {
    const house = (await readHouse(pool))!;
    const { rows } = await pool.query('SELECT DISTINCT recipe_id FROM logged ORDER BY 1');
    expect([...(await readLoggedSoups(pool, house.id))].toSorted()).toEqual(
      rows.map((r: { recipe_id: string }) => r.recipe_id).toSorted(),
    );
    expect(await readLoggedSoups(pool, 'elsewhere')).toEqual(new Set());
  });

  test('it can be asked how it came out, and shows no other', async () => {
    for (const landed of ['first', 'put right', 'outside', 'untested', 'thrown'] as const)
      for (const b of (await logPage(pool, { landed })).batches) expect(landedAs(b)).toBe(landed);
    const all = (await logPage(pool, {})).batches.length;
    const each = await Promise.all(
      ['first', 'put right', 'outside', 'untested', 'thrown'].map(
        async (landed) => (await logPage(pool, { landed })).batches.length,
      ),
    );
    expect(each.reduce((s, n) => s + n, 0)).toBe(all);
  });

  test('the weak flour and burner are learned, and the next plan has more flour for it', async () => {
    const flour = await numberOf(FLOUR);
    expect(flour!.by).toBeLessThan(0.95);
    expect(flour!.spread).toBeLessThan(0.11);
    const burner = await numberOf('burner front-left');
    expect(Math.abs(burner!.by / 0.85 - 1)).toBeLessThan(0.05);
    const house = (await readHouse(pool))!;
    expect(house.kitchen.own?.flour?.['plain-flour']?.by).toBeCloseTo(flour!.by, 6);
    expect(house.pace?.weighing).toBeGreaterThan(1.1);
    const setup = {
      vessel: house.vessels.find((v) => v.id === 'tall-steel-36')!,
      burner: house.burners.find((b) => b.id === 'front-left')!,
    };
    const dose = (kitchen: typeof house.kitchen) =>
      planFor(demoRecipe('cockle-and-leek-chowder'), { litres: 12, target: 150 }, { ...setup, kitchen })
        .solved.dosing.dose;
    const { own: _own, ...book } = house.kitchen;
    expect(dose(house.kitchen)).toBeGreaterThan(1.04 * dose(book));
  });

  test('who pours over is told by role', async () => {
    expect((await numberOf('pouring Closer'))!.by).toBeCloseTo(1.03, 2);
  });

  test('how well was foreseen is told with and without what was learned', async () => {
    const { all } = await openPredicts(pool);
    expect(all.viscosity.n).toBeGreaterThanOrEqual(3);
    expect(all.viscosity.error).toBeLessThan(all.viscosity.errorUnlearned);
  });

  test('a number has its history; a batch left out no longer bears on it, and counted again does', async () => {
    const before = (await numberOf(FLOUR))!;
    const { lessons } = await numberHistory(pool, FLOUR);
    expect(lessons.map((l) => l.batch)).toEqual(expect.arrayContaining(made.map((b) => b.id)));
    const act = (body: object) => actOnLearning(pool, { id: randomUUID(), by: 'Lead', body });
    for (const b of made) await act({ kind: 'leave out', batch: b.id });
    await learnAll();
    expect(Math.abs(Math.log((await numberOf(FLOUR))?.by ?? 1))).toBeLessThan(0.01);
    for (const b of made) await act({ kind: 'count again', batch: b.id });
    await learnAll();
    expect((await numberOf(FLOUR))!.by).toBeCloseTo(before.by, 6);
  });

  test('a number set by hand is what every plan goes by, until readings say again', async () => {
    const act = (body: object) => actOnLearning(pool, { id: randomUUID(), by: 'Lead', body });
    await act({ kind: 'fix', key: FLOUR, factor: 1.1 });
    expect((await readHouse(pool))!.kitchen.own?.flour?.['plain-flour']?.by).toBeCloseTo(1.1, 2);
    await act({ kind: 'free', key: FLOUR });
    expect((await readHouse(pool))!.kitchen.own?.flour?.['plain-flour']?.by).toBeLessThan(0.95);
  });

  test('forgotten, a number begins anew and the others keep what they know', async () => {
    const burner = (await numberOf('burner front-left'))!;
    await actOnLearning(pool, { id: randomUUID(), by: 'Lead', body: { kind: 'forget', key: FLOUR } });
    await learnAll();
    expect((await numberOf(FLOUR))?.rests.readings ?? 0).toBe(0);
    expect((await numberOf('burner front-left'))!.by).toBeCloseTo(burner.by, 2);
  });

  test('what cannot be is refused by its field', async () => {
    const wrong = async (body: object) => {
      const { status, problems } = await refusal(actOnLearning(pool, { id: randomUUID(), by: '', body }));
      return [status, problems[0]?.field];
    };
    expect(await wrong({ kind: 'fix', key: FLOUR, factor: 0 })).toEqual([400, 'body.factor']);
    expect(await wrong({ kind: 'leave out', batch: randomUUID() })).toEqual([404, 'batch']);
    expect((await refusal(numberHistory(pool, 'flour sawdust'))).status).toBe(404);
    expect((await refusal(loggedBatch(pool, 'none'))).status).toBe(404);
  });

  test('a finish taken back takes the batch out of the log and out of what was learned', async () => {
    const batch = await cooked(3);
    await learnAll();
    expect((await loggedBatch(pool, batch.id)).logged.id).toBe(batch.id);
    const end = batch.events.findLast((e) => e.body.kind === 'finished')!;
    await recordEvent(pool, batch.id, {
      id: randomUUID(),
      at: new Date().toISOString(),
      station: 'Lead',
      body: { kind: 'withdrawn', event: end.id },
    });
    await learnAll();
    expect((await refusal(loggedBatch(pool, batch.id))).status).toBe(404);
    expect((await numberHistory(pool, 'burner front-left')).lessons.map((l) => l.batch)).not.toContain(
      batch.id,
    );
  });

  test('a reading taken back after the end is unlearned, and the log says what is left', async () => {
    const batch = await cooked(4);
    await learnAll();
    const before = (await loggedBatch(pool, batch.id)).logged;
    const readings = async () => (await numberOf('soup cockle-and-leek-chowder'))!.rests.readings;
    const had = await readings();
    const flows = batch.events.filter((e) => e.body.kind === 'flow');
    expect(flows.length).toBeGreaterThan(0);
    for (const flow of flows)
      await recordEvent(pool, batch.id, {
        id: randomUUID(),
        at: new Date().toISOString(),
        station: 'Lead',
        body: { kind: 'withdrawn', event: flow.id },
      });
    await learnAll();
    expect(before.measured).not.toBeNull();
    expect((await loggedBatch(pool, batch.id)).logged.measured).toBeNull();
    expect(await readings()).toBeLessThan(had);
  });

  test('kept as it was cooked it is a new version of its recipe, with what was weighed', async () => {
    const house = (await readHouse(pool))!;
    const before = (await readRecipe(pool, house.id, 'cockle-and-leek-chowder'))!;
    const [batch] = made;
    const saved = await keepAsCooked(pool, batch!.id, { by: 'Lead' });
    expect(saved).toMatchObject({ version: before.version + 1, isNew: true });
    const after = (await readRecipe(pool, house.id, 'cockle-and-leek-chowder'))!;
    const flour = batch!.events.flatMap((e) => {
      const step = e.body.kind === 'weighed' ? batch!.plan.steps[e.body.step]?.does : null;
      return e.body.kind === 'weighed' && step?.kind === 'dust' ? [e.body.g] : [];
    });
    expect(JSON.stringify(after.body)).toContain(`"amount":"${Math.round(flour[0]!)} g"`);
    expect(after.recipe.yieldLitres).toBeGreaterThan(10);
  });
});

describe('a notebook', () => {
  const csv = (lines: string) => `date,soup,litres,amounts,viscosity\n${lines}`;
  const good =
    '2025-01-10,Cockle and leek chowder,12,500 g plain flour,150\n2025-01-11,Grandmother’s soup,4,,\n';
  const logged = async () => (await logPage(pool, { find: 'grandmother' })).batches.length;

  test('looked at first, nothing of it is taken', async () => {
    const told = await takeNotebook(pool, csv(good), 'no');
    expect(told).toMatchObject({ right: 2, wrong: 0, known: 1, taken: 0 });
    expect(await logged()).toBe(0);
  });

  test('with a line that is wrong all of it is refused, and nothing is half in', async () => {
    const { status, problems } = await refusal(takeNotebook(pool, csv(`${good}never,Pea,4,,`), 'all'));
    expect([status, problems[0]?.field, problems[0]?.given]).toEqual([422, 'line 4, date', 'never']);
    expect(await logged()).toBe(0);
  });

  test('taken in it stands in the log once, however often, and what tells of the flour teaches', async () => {
    const before = (await houseKnows(pool)).lessons;
    expect(await takeNotebook(pool, csv(`${good}never,Pea,4,,`), 'right')).toMatchObject({
      taken: 2,
      teaching: 1,
    });
    expect(await takeNotebook(pool, csv(good), 'all')).toMatchObject({ taken: 0 });
    expect(await logged()).toBe(1);
    await learnAll();
    expect((await houseKnows(pool)).lessons).toBe(before + 1);
  });
});

test('after midnight the record’s day is still the evening’s: until the hour it ends at', async () => {
  const house = (await readHouse(pool))!;
  const night = new Date();
  night.setDate(night.getDate() - 2);
  night.setHours(1, 30, 0, 0);
  const lot = randomUUID();
  await recordKeep(pool, lot, {
    id: randomUUID(),
    at: night.toISOString(),
    station: 'Closer',
    body: {
      kind: 'put by',
      what: 'stock',
      name: 'Midnight stock',
      madeAt: new Date(night.getTime() - 3_600_000).toISOString(),
      ml: 2000,
      allergens: [],
      container: { kind: 'pans', pan: 'tub-2', count: 1 },
      place: 'fridge',
    },
  });
  const calendar = dayOf(night);
  const evening = dayOf(night, house.keeping.dayEnds);
  expect(evening).not.toBe(calendar);
  const names = async (day: string) =>
    (await theRecord(pool, { from: day, to: day })).entries.filter((e) => e.lot === lot).length;
  expect(await names(evening)).toBeGreaterThan(0);
  expect(await names(calendar)).toBe(0);
});

describe('what it comes to', () => {
  test('a week counts what was cooked in it, and what was given out by day', async () => {
    const batch = await cooked(8);
    await learnAll();
    const house = (await readHouse(pool))!;
    const day = dayOf(new Date(batch.startedAt), house.keeping.dayEnds);
    const { week } = await openWeek(pool, day);
    expect(week.from <= day && day <= week.to).toBe(true);
    expect(week.batches).toBeGreaterThanOrEqual(1);
    expect(week.cost).toBeGreaterThan(0);
    const given = await openGiven(pool, day);
    const row = given.given.find((g) => g.day === day && g.recipeId === 'cockle-and-leek-chowder')!;
    const made = (await loggedBatch(pool, batch.id)).logged.yieldMl!;
    expect(row.madeMl).toBeGreaterThanOrEqual(made);
    expect(row.servedMl).toBeGreaterThan(0);
    expect(givenCsv(given).split('\r\n')[0]).toMatch(/^day,soup,planned mL/);
    const pdf = Buffer.from(await weekPdf(await openWeek(pool, day), 'A4', inEnglish, METRIC));
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  });

  test('of a batch that was cooled what is kept and what is thrown away is told apart, and the rest was served', async () => {
    const batch = await cooked(9, { goesTo: 'cool' });
    await cooked(9, { thirds: 1 });
    await learnAll();
    const house = (await readHouse(pool))!;
    await openFromBatch(pool, house, batch);
    const made = (await loggedBatch(pool, batch.id)).logged.yieldMl!;
    const say = (body: object) =>
      recordKeep(pool, batch.id, {
        id: randomUUID(),
        at: new Date().toISOString(),
        station: 'Closer',
        body,
      });
    await say({ kind: 'thrown away', ml: 2000, why: 'left over' });
    const day = dayOf(new Date(batch.startedAt), house.keeping.dayEnds);
    const row = (await openGiven(pool, day)).given.find(
      (g) => g.day === day && g.recipeId === 'cockle-and-leek-chowder',
    )!;
    expect(row.thrownMl).toBe(2000);
    expect(row.keptMl).toBeCloseTo(made - 2000, 0);
    // All of the one that went to the pass.
    expect(row.servedMl).toBeCloseTo(row.madeMl - made, 0);
    expect(row.thrownCost).toBeGreaterThan(0);
  });

  test('the whole log leaves as CSV and JSON, a line a batch', async () => {
    const house = (await readHouse(pool))!;
    const all = await readWholeLog(pool, house.id);
    const lines = logCsv(all).trim().split('\r\n');
    expect(lines).toHaveLength(all.length + 1);
    expect(lines[0]).toContain('measured');
    expect(logJson(all, house.name)).toMatchObject({ format: 'panache.log/1', kitchen: house.name });
  });

  test('a page goes on after the last of the one before, and none is shown twice', async () => {
    const house = (await readHouse(pool))!;
    const first = await readLogged(pool, house.id, { words: '', recipeId: null, before: null, most: 3 });
    const last = first.at(-1)!;
    const next = await readLogged(pool, house.id, {
      words: '',
      recipeId: null,
      before: { startedAt: last.startedAt, id: last.id },
      most: 3,
    });
    expect(next.length).toBeGreaterThan(0);
    expect(next.some((b) => first.some((f) => f.id === b.id))).toBe(false);
    expect(Date.parse(next[0]!.startedAt)).toBeLessThanOrEqual(Date.parse(last.startedAt));
  });

  test('two that learn at once do it once', async () => {
    await cooked(2);
    await Promise.all([logAndLearn(pool), logAndLearn(pool)]);
    await learnAll();
    const { numbers, lessons } = await houseKnows(pool);
    expect(numbers.length).toBeGreaterThan(5);
    const { rows } = await pool.query('SELECT count(*)::int AS n FROM lesson WHERE NOT left_out');
    expect(lessons).toBe(rows[0].n);
  });

  test('the log opens with how well was foreseen', async () => {
    const opened = await openLog(pool, {});
    expect(opened.calibration.viscosity.n).toBeGreaterThanOrEqual(3);
    expect(opened.calibration.curve).toHaveLength(7);
  });
});
