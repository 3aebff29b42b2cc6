import { randomUUID } from 'node:crypto';
import { readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import ICAL from 'ical.js';
import Papa from 'papaparse';
import type pg from 'pg';
import { Archive } from '../core/formats/archive';
import { allergensOfOrder, DECLARED } from '../core/service/allergens';
import { boardOf } from '../core/service/board';
import { Cycle } from '../core/service/schema';
import { batchesOf, clockOf, copied, type Service } from '../core/service/service';
import { HOUSE, here, RECIPES } from '../core/service/testKit';
import { todayOf } from '../core/service/today';
import { inEnglish } from '../core/text/inWords';
import { allergenSheet } from './actions/allergens';
import { plannedBatch, recordEvent } from './actions/batches';
import { theHouse } from './actions/kitchen';
import { openDay, saveCycle, saveService, startOf, startOnBoard, theService } from './actions/services';
import { takeArchive } from './archive/take';
import { undoImport } from './archive/undo';
import { archiveText } from './archive/write';
import { loadBlank, loadDemo } from './data/demo/demo';
import { refusal, testDatabase } from './data/testDatabase';
import { type Drawn, serviceCsv, serviceIcs } from './exports/serviceFiles';
import { readBatch } from './queries/batches';
import { isPlanned, nextDay, readDays, readService, readUsualCovers } from './queries/services';

const K = 'quay-house';
const THURSDAY = '6f0f6f0e-5d1c-4c0e-9a53-0d2f7c1b9a01';
const FRIDAY = '6f0f6f0e-5d1c-4c0e-9a53-0d2f7c1b9a02';
let pool: pg.Pool;
let drop: () => Promise<void>;

beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  await loadDemo(pool, join(process.cwd(), 'demo'));
});
afterAll(() => drop());

const read = async (id = THURSDAY) => (await readService(pool, K, id))!;
const save = (service: unknown, base: number, by = 'Lead') => saveService(pool, { service, base, by });
const fresh = async (day = '2027-01-07'): Promise<Service> =>
  copied((await read()).service, randomUUID(), day);

describe('the demo', () => {
  test('has a Thursday of five soups on four burners, two cooks, two times, that lies without a clash; and a Friday that does not', async () => {
    const { service } = await read();
    expect(service).toMatchObject({ hands: 2, covers: 180 });
    expect(service.soups).toHaveLength(5);
    expect([...new Set(service.soups.flatMap((s) => s.draws.map((d) => clockOf(d.at))))].sort()).toEqual([
      '11:45',
      '13:00',
    ]);
    expect(new Date(`${service.day}T00:00:00Z`).getUTCDay()).toBe(4);
    expect(boardOf(service, here()).clashes).toEqual([]);
    const friday = await read(FRIDAY);
    expect(boardOf(friday.service, here()).clashes.length).toBeGreaterThan(0);
    expect(HOUSE.burners).toHaveLength(4);
  });
  test('is planned: the day that comes next is found', async () => {
    const { day } = (await read()).service;
    expect(await nextDay(pool, K, '2026-01-01')).toBe([day, (await read(FRIDAY)).service.day].sort()[0]);
    expect(await isPlanned(pool, K, day)).toBe(true);
    expect(await isPlanned(pool, K, '2029-01-01')).toBe(false);
    expect(await nextDay(pool, K, '2029-01-01')).toBe('2029-01-01');
  });
});

describe('a service saved', () => {
  test('is read back as it was, its day lists it, and the same again writes nothing', async () => {
    const made = await fresh();
    const first = await save(made, 0);
    expect(first).toMatchObject({ revision: 1, told: [] });
    expect(await save(made, 0)).toMatchObject({ revision: 1 });
    const opened = await openDay(pool, made.day);
    expect(opened.services.map((s) => s.service.id)).toEqual([made.id]);
    expect(opened.services[0]?.service).toEqual(made);
    expect((await save({ ...made, archived: true }, 1)).revision).toBe(2);
    expect((await openDay(pool, made.day)).services).toEqual([]);
  });

  test('by two at once holds what both changed, and tells what both changed alike', async () => {
    const made = await fresh();
    await save(made, 0);
    await save({ ...made, hands: 3 }, 1, 'Opener');
    const late = await save({ ...made, covers: 99 }, 1, 'Closer');
    expect(late.service).toMatchObject({ hands: 3, covers: 99 });
    expect(late).toMatchObject({ revision: 3, told: [] });
    const third = await save({ ...made, covers: 50 }, 1);
    expect(third.told).toEqual([{ what: 'setting', name: 'covers' }]);
    expect(third).toMatchObject({ revision: 3, service: { covers: 99 } });
  });

  test('many stations saving together lose none of it', async () => {
    const made = await fresh();
    await save(made, 0);
    const places = batchesOf(made).map((b) => b.key);
    await Promise.all(
      places.map((key) =>
        save({ ...made, placed: { ...made.placed, [key]: { ...made.placed[key]!, lightAt: 500 } } }, 1),
      ),
    );
    const { service } = await theService(pool, made.id);
    expect(places.map((key) => service.placed[key]?.lightAt)).toEqual(places.map(() => 500));
  });

  test('that cannot be is refused by its field, and nothing is written', async () => {
    const made = await fresh();
    const told = await refusal(save({ ...made, hands: 0 }, 0));
    expect(told.problems).toEqual([
      { field: 'hands', given: '0', allowed: 'hands is a number from 1 to 20' },
    ]);
    expect(await readService(pool, K, made.id)).toBeNull();
    expect((await refusal(theService(pool, randomUUID()))).status).toBe(404);
    expect((await refusal(openDay(pool, '31.12.2026'))).problems[0]?.allowed).toMatch(/a day is written/);
  });

  test('stays as it was written: no version of it can be changed or taken away', async () => {
    await expect(pool.query("UPDATE service_version SET made_by = 'me'")).rejects.toThrow();
    await expect(pool.query('DELETE FROM service_version')).rejects.toThrow();
  });

  test('is told to whoever listens', async () => {
    const client = await pool.connect();
    const told: string[] = [];
    client.on('notification', ({ payload }) => told.push(payload ?? ''));
    await client.query('LISTEN panache');
    const made = await fresh();
    await save(made, 0);
    for (let i = 0; i < 100 && told.length === 0; i++) await client.query('SELECT pg_sleep(0.02)');
    client.removeAllListeners('notification');
    await client.query('UNLISTEN *');
    client.release();
    expect(JSON.parse(told[0]!)).toEqual({ kitchen: 'quay-house', service: made.id, revision: 1 });
  });
});

describe('what the days before and after it have', () => {
  test('days are listed from the first to the last asked for, of this kitchen, in their order', async () => {
    const days = ['2028-03-06', '2028-03-07', '2028-03-08'];
    for (const day of days) await save(await fresh(day), 0);
    const listed = (from: string, to: string, kitchen = K) =>
      readDays(pool, kitchen, from, to).then((all) => all.map((d) => d.day));
    expect(await listed('2028-03-06', '2028-03-07')).toEqual(days.slice(0, 2));
    expect(await listed('2028-03-07', '2028-03-31')).toEqual(days.slice(1));
    expect(await listed('2028-03-01', '2028-03-31', 'elsewhere')).toEqual([]);
  });
  test('covers are those of the same weekday before it, the newest first, as many as are asked for', async () => {
    const with_ = async (day: string, covers: number | null) => save({ ...(await fresh(day)), covers }, 0);
    // Mondays but for the eighth; one after, one that says none.
    await with_('2029-01-01', 100);
    await with_('2029-01-08', 110);
    await with_('2029-01-09', 999);
    await with_('2029-01-15', 120);
    await with_('2029-01-29', 130);
    expect(await readUsualCovers(pool, K, '2029-01-22', 3)).toEqual([120, 110, 100]);
    expect(await readUsualCovers(pool, K, '2029-01-22', 2)).toEqual([120, 110]);
    expect(await readUsualCovers(pool, 'elsewhere', '2029-01-22')).toEqual([]);
  });
});

describe('the allergens for the pass', () => {
  test('each soup of the day has what its order brings, garnish and all, by the rules of the place', async () => {
    const made = await fresh('2028-05-04');
    const [first] = made.soups;
    const soups = made.soups.map((s) =>
      s === first ? { ...s, order: { ...s.order, garnish: ['large-shrimp' as const] } } : s,
    );
    await save({ ...made, soups }, 0);
    const sheet = await allergenSheet(pool, made.id);
    expect(sheet).toMatchObject({ day: '2028-05-04', rule: HOUSE.keeping.rules });
    expect(sheet.declared).toEqual(DECLARED[HOUSE.keeping.rules]);
    const one = sheet.soups.find((s) => s.key.startsWith(first!.id))!;
    expect(one.cooked).toBe(false);
    expect(one.allergens).toContain('crustaceans');
    for (const s of sheet.soups) {
      const { soup } = batchesOf({ ...made, soups }).find((b) => b.key === s.key)!;
      const recipe = RECIPES.get(soup.order.recipeId) ?? [...RECIPES.values()][0]!;
      expect([s.name, s.allergens]).toEqual([
        s.name,
        [...allergensOfOrder(recipe, { ...soup.order, litres: 1 } as never, HOUSE.kitchen)],
      ]);
    }
  });
  test('of what was cooked by what really went in, whatever was planned', async () => {
    const { service } = await read();
    const [batch] = batchesOf(service);
    const started = (
      await pool.query("SELECT id FROM batch WHERE plan ->> 'recipeName' LIKE 'Cockle%' LIMIT 1")
    ).rows[0].id as string;
    const made = { ...(await fresh('2028-05-11')), started: { [batch!.key]: started } };
    await save(made, 0);
    const sheet = await allergenSheet(pool, made.id);
    expect(sheet.soups.find((s) => s.key === batch!.key)).toMatchObject({
      cooked: true,
      allergens: expect.arrayContaining(['molluscs', 'milk']),
    });
    // What was put in at the stove counts, until it is taken back.
    const live = (
      await pool.query('SELECT id FROM batch WHERE over_at IS NULL ORDER BY started_at DESC LIMIT 1')
    ).rows[0].id as string;
    await save(
      { ...(await fresh('2028-05-18')), id: made.id, day: made.day, started: { [batch!.key]: live } },
      1,
    );
    const has = async () =>
      (await allergenSheet(pool, made.id)).soups.find((s) => s.key === batch!.key)!.allergens;
    const line = (body: object) => ({
      id: randomUUID(),
      at: new Date().toISOString(),
      station: 'Closer',
      body,
    });
    expect(await has()).not.toContain('fish');
    const cod = line({ kind: 'put-in', ingredient: 'cod', g: 500 });
    await recordEvent(pool, live, cod);
    expect(await has()).toContain('fish');
    await recordEvent(pool, live, line({ kind: 'withdrawn', event: cod.id }));
    expect(await has()).not.toContain('fish');
    await recordEvent(
      pool,
      live,
      line({
        kind: 'step-added',
        before: 0,
        title: 'Crab in',
        does: { kind: 'add', items: [{ ingredient: 'crab-meat', amount: 200 }] },
      }),
    );
    expect(await has()).toContain('crustaceans');
  });
});

describe('a menu that comes round', () => {
  const cycle = (weeks: string[][][]) => ({ format: 'panache.cycle/1', from: '2027-02-01', weeks });
  const week = (thursday: string[]) => [[], [], [], thursday, [], [], []];
  test('brings its service to a day that has none; a second save from the same revision is refused', async () => {
    expect(await saveCycle(pool, { cycle: cycle([week([THURSDAY]), week([])]), base: 0 })).toEqual({
      revision: 1,
    });
    const opened = await openDay(pool, '2027-02-04');
    expect(opened.turn.map((s) => s.id)).toEqual([THURSDAY]);
    expect(opened).toMatchObject({ week: 0, cycleRevision: 1 });
    expect((await openDay(pool, '2027-02-11')).turn).toEqual([]);
    expect((await openDay(pool, '2027-02-18')).turn.map((s) => s.id)).toEqual([THURSDAY]);
    expect((await refusal(saveCycle(pool, { cycle: cycle([week([])]), base: 0 }))).status).toBe(409);
  });
  test('of 53 weeks, or of a service nobody knows, is refused', async () => {
    const long = await refusal(saveCycle(pool, { cycle: cycle(Array(53).fill(week([]))), base: 1 }));
    expect(long.problems[0]).toMatchObject({ field: 'weeks', allowed: 'a cycle has at most 52 weeks' });
    const unknown = randomUUID();
    const none = await refusal(saveCycle(pool, { cycle: cycle([week([unknown])]), base: 1 }));
    expect(none.problems[0]).toMatchObject({ field: 'weeks', given: unknown });
    expect(Cycle.safeParse(cycle([week([])])).success).toBe(true);
  });
});

describe('a batch started from the board', () => {
  const request = (key: string, id = randomUUID()) => ({
    key,
    id,
    startedAt: new Date().toISOString(),
    serveAt: new Date(Date.now() + 3_600_000).toISOString(),
    by: 'Opener',
  });
  const start = async (service: Service, r: ReturnType<typeof request>) =>
    startOnBoard(pool, service.id, r, await plannedBatch(pool, await startOf(pool, service.id, r)));

  test('is a batch of the record where it stood on the board, and the board knows it; once, however often', async () => {
    const made = await fresh();
    await save(made, 0);
    const r = request('roast-carrot-cream');
    expect(await start(made, r)).toEqual({ id: r.id, isNew: true });
    expect(await start(made, r)).toEqual({ id: r.id, isNew: false });
    const { service, revision } = await theService(pool, made.id);
    expect(service.started).toEqual({ 'roast-carrot-cream': r.id });
    expect(revision).toBe(2);
    const batch = await readBatch(pool, r.id);
    const place = made.placed['roast-carrot-cream']!;
    expect(batch?.plan.vesselId).toBe(place.vesselId);
    expect(batch?.plan.cooked?.burner.id).toBe(place.burnerId);
    const again = await refusal(start(made, request('roast-carrot-cream')));
    expect(again).toMatchObject({
      status: 409,
      problems: [{ field: 'key', given: 'it was started already' }],
    });
  });

  test('in a pot that stands on the stove is asked about first, and one the service has not is refused', async () => {
    const made = await fresh();
    await save(made, 0);
    const chowder = request('cockle-and-leek-chowder');
    // The parsnip velouté of the demo stands in Middle 28.
    const told = await refusal(start(made, chowder));
    expect(told).toMatchObject({ status: 409, problems: [{ field: 'vesselId' }] });
    expect(await start(made, { ...chowder, anyway: true } as never)).toMatchObject({ isNew: true });
    expect((await refusal(start(made, request('no-such-soup')))).problems[0]?.field).toBe('key');
  });
});

describe('an archive', () => {
  const text = async (of: pg.Pool) => {
    let all = '';
    for await (const piece of archiveText(of, new Date())) all += piece;
    return all;
  };
  test('holds services and the menu as they stand; taken in elsewhere they are there, gone back on they are out of sight, and brought again', async () => {
    const file = join(tmpdir(), `panache-services-${randomUUID()}.json`);
    // Without its batches: one that is under way would keep its pot in the kitchen.
    await writeFile(file, JSON.stringify({ ...JSON.parse(await text(pool)), batches: [] }));
    const archive = Archive.parse(JSON.parse(await readFile(file, 'utf8')));
    const thursday = (await read()).service;
    expect(archive.services.find((s) => s.id === THURSDAY)).toEqual(thursday);
    expect(archive.cycle?.weeks).toHaveLength(2);
    const other = await testDatabase();
    try {
      await loadBlank(other.pool);
      const kitchen = (await theHouse(other.pool)).id;
      const there = async () => (await openDay(other.pool, thursday.day)).services.map((s) => s.service);
      const taken = await takeArchive(other.pool, file);
      expect(taken.newServices).toHaveLength(archive.services.length);
      expect(await there()).toContainEqual(thursday);
      expect((await openDay(other.pool, '2027-02-04')).cycle).toEqual(archive.cycle);
      await undoImport(other.pool, { id: taken.importId });
      expect(await there()).toEqual([]);
      expect((await readService(other.pool, kitchen, THURSDAY))?.service.archived).toBe(true);
      await takeArchive(other.pool, file);
      expect(await there()).toContainEqual(thursday);
      // What is here already stays as it is here.
      const mine = { ...thursday, hands: 7 };
      const { revision } = (await readService(other.pool, kitchen, THURSDAY))!;
      await saveService(other.pool, { service: mine, base: revision, by: '' });
      expect((await takeArchive(other.pool, file)).newServices).toEqual([]);
      expect(await there()).toContainEqual(mine);
    } finally {
      await other.drop();
      await rm(file);
    }
  });
});

describe('a service taken away', () => {
  const drawn = async (): Promise<Drawn> => {
    const { service } = await read();
    const named = <T extends { id: string; name: string }>(all: Iterable<T>) =>
      Object.fromEntries([...all].map((x) => [x.id, x.name]));
    return {
      service,
      board: boardOf(service, here()),
      names: {
        soups: named(RECIPES.values()),
        burners: named(HOUSE.burners),
        vessels: named(HOUSE.vessels),
      },
    };
  };

  test('as a calendar is read by a reader of RFC 5545: every batch, weighing and time on the pass, in floating time', async () => {
    const one = await drawn();
    const ics = serviceIcs([one], inEnglish);
    expect(ics.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
    const calendar = new ICAL.Component(ICAL.parse(ics));
    expect(calendar.getFirstPropertyValue('version')).toBe('2.0');
    const events = calendar.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
    const at = (minute: number) => `${one.service.day}T${clockOf(minute)}:00`;
    for (const { batch, lightAt, readyAt } of one.board.bars) {
      const cook = events.find((e) => e.uid === `${one.service.id}-${batch.key}-cook`)!;
      expect(cook.startDate.toString()).toBe(at(lightAt));
      expect(cook.endDate.toString()).toBe(at(readyAt));
      expect(cook.startDate.zone).toBe(ICAL.Timezone.localTimezone);
      expect(cook.description).toContain('On the pass');
    }
    const draws = one.service.soups.reduce((sum, s) => sum + s.draws.length, 0);
    expect(events).toHaveLength(2 * one.board.bars.length + draws);
    expect(new Set(events.map((e) => e.uid)).size).toBe(events.length);
  });

  test('as CSV has a line for each thing of the day’s list, in its order', async () => {
    const one = await drawn();
    const { data } = Papa.parse<Record<string, string>>(serviceCsv(one, inEnglish), {
      header: true,
      skipEmptyLines: true,
    });
    const tasks = todayOf(one.board, (id) => one.names.burners[id]!);
    expect(data.map((d) => d.time)).toEqual(tasks.map((t) => clockOf(t.at)));
    expect(data[0]).toMatchObject({ day: one.service.day, what: 'weigh', soup: 'Crab-shell bisque' });
  });
});
