import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type pg from 'pg';
import { Archive } from '../core/formats/archive';
import { kitchenFileOf } from '../core/kitchen/kitchenFile';
import { recordEvent } from './actions/batches';
import { recordKeep } from './actions/keep/keep';
import { theHouse } from './actions/kitchen';
import { logAndLearn } from './actions/log/learn';
import { actOnLearning } from './actions/log/log';
import { takeNotebook } from './actions/log/notebook';
import { takeArchive } from './archive/take';
import { undoImport } from './archive/undo';
import { archiveText } from './archive/write';
import { loadDemo } from './data/demo/demo';
import { refusal, testDatabase } from './data/testDatabase';
import { as } from './guard/asking';
import { readBatches } from './queries/batches';
import { writeHouse } from './queries/kitchen';
import { readLearned, readLesson } from './queries/log';
import { readAllWaterTests, writeWaterTest } from './queries/waterTests';

const K = 'quay-house';
const NOW = new Date('2027-01-01T00:00:00Z');
const folder = mkdtempSync(join(tmpdir(), 'panache-whole-'));
let a: Awaited<ReturnType<typeof testDatabase>>;
let b: Awaited<ReturnType<typeof testDatabase>>;

const textOf = async (pool: pg.Pool): Promise<string> => {
  let text = '';
  for await (const piece of archiveText(pool, NOW)) text += piece;
  return text;
};
const fileOf = (name: string, text: string): string => {
  writeFileSync(join(folder, name), text);
  return join(folder, name);
};
const at = () => new Date().toISOString();
const FIXED = 'flour plain-flour';
const FORGOTTEN = 'soup leek-and-potato-cream';
let leftOut: string;

beforeAll(async () => {
  [a, b] = await Promise.all([testDatabase(), testDatabase()]);
  await loadDemo(a.pool, join(process.cwd(), 'demo'));
  // A kitchen of the same name that has nothing yet: what an archive is put back into.
  const house = await theHouse(a.pool);
  const client = await b.pool.connect();
  await writeHouse(client, { ...kitchenFileOf(house), name: 'Our kitchen' });
  client.release();

  const pool = a.pool;
  const who = {
    kind: 'station',
    id: randomUUID(),
    kitchenId: K,
    name: 'Pass',
    access: 'line',
    worksAs: 'Closer',
    raised: false,
  } as const;
  const [demo] = await readBatches(pool, K);
  if (!demo) throw new Error('no batch');
  leftOut = demo.id;
  await as({ who, address: '', secure: false }, async () => {
    await recordEvent(pool, demo.id, {
      id: randomUUID(),
      at: at(),
      station: 'Lead',
      body: { kind: 'note', text: 'ü' },
    });
    await recordEvent(pool, demo.id, {
      id: randomUUID(),
      at: at(),
      station: 'Lead',
      body: { kind: 'finished', goesTo: 'pass', yieldMl: 7800 },
    });
  });
  await recordKeep(pool, 'kitchen', {
    id: randomUUID(),
    at: at(),
    station: 'Lead',
    body: { kind: 'signed', from: '2026-11-20', to: '2026-11-20', by: 'Lead' },
  });
  await writeWaterTest(pool, K, {
    id: randomUUID(),
    vesselId: 'tall-steel-36',
    burnerId: 'front-left',
    readings: {
      litres: 10,
      startCelsius: 14,
      heatedTo: 95,
      heatMinutes: 22,
      keptAt: 95,
      keptMinutes: 30,
      by: 'weight',
      before: 15000,
      after: 14600,
    },
    lossFactor: 1.1,
    intoPotW: 3100,
  });
  const csv = [
    'date,soup,litres,amounts,viscosity,note',
    '2026-02-03,Smoked parsnip velouté,8,"plain flour 300 g",150,thin side',
    '2026-02-05,Nobody’s broth,4,,,',
  ].join('\n');
  await takeNotebook(pool, csv, 'all');
  await logAndLearn(pool);
  await actOnLearning(pool, { id: randomUUID(), by: 'Lead', body: { kind: 'fix', key: FIXED, factor: 0.9 } });
  await actOnLearning(pool, { id: randomUUID(), by: 'Lead', body: { kind: 'forget', key: FORGOTTEN } });
  await actOnLearning(pool, { id: randomUUID(), by: 'Lead', body: { kind: 'leave out', batch: demo.id } });
}, 60_000);
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await Promise.all([a.drop(), b.drop()]);
});

test('an archive taken out, put into an empty kitchen and taken out of there is byte for byte the same', async () => {
  const first = await textOf(a.pool);
  const { waterTests, acts, notebook, batches, kept, kitchenLines, services } = Archive.parse(
    JSON.parse(first),
  );
  // All of what it is to carry is there to be carried.
  expect(
    [waterTests, acts, notebook, batches, kept, kitchenLines, services].map((l) => l.length > 0),
  ).toEqual(Array(7).fill(true));
  expect(notebook.map((n) => n.taught !== null).sort()).toEqual([false, true]);
  expect(batches.some((x) => x.events.some((e) => e.via?.name === 'Pass'))).toBe(true);
  await takeArchive(b.pool, fileOf('first.json', first));
  const second = await textOf(b.pool);
  expect(second).toBe(first);
});

test('what it brought counts: pots measured, what was set and forgotten by hand, what was left out, and the notebook’s lessons', async () => {
  await logAndLearn(b.pool);
  expect(await readAllWaterTests(b.pool, K)).toEqual(await readAllWaterTests(a.pool, K));
  const learned = await readLearned(b.pool, K);
  expect(learned?.byHand.fixed).toEqual({ [FIXED]: 0.9 });
  expect(Object.keys(learned?.byHand.forgotten ?? {})).toEqual([FORGOTTEN]);
  const { rows } = await b.pool.query('SELECT batch_id, left_out FROM lesson ORDER BY at');
  expect(rows.find((r) => r.batch_id === leftOut)?.left_out).toBe(true);
  const past = rows.find((r) => r.batch_id !== leftOut);
  const [here, there] = await Promise.all([
    readLesson(b.pool, past.batch_id),
    readLesson(a.pool, past.batch_id),
  ]);
  expect(here?.keys).toEqual(there?.keys);
  expect(here?.shift[0]).toBeCloseTo(there?.shift[0] ?? Number.NaN, 9);
});

test('an older archive, that has none of it, is taken in as before; a wrong one says where', async () => {
  const { waterTests: _w, acts: _a, notebook: _n, ...older } = JSON.parse(await textOf(a.pool));
  const told = await takeArchive(b.pool, fileOf('older.json', JSON.stringify(older)), { rehearse: true });
  expect(told.newBatches).toBe(0);
  const wrong = JSON.parse(await textOf(a.pool));
  wrong.acts[0].body.factor = 99;
  const { problems } = await refusal(takeArchive(b.pool, fileOf('wrong.json', JSON.stringify(wrong))));
  expect(problems.map((p) => p.field)).toEqual(['line 1, acts[0].body.factor']);
});

test('gone back on, nothing of it counts any more: no pot measured, nothing by hand, no lesson; taken in again all of it does', async () => {
  const c = await testDatabase();
  try {
    const house = await theHouse(a.pool);
    const client = await c.pool.connect();
    await writeHouse(client, { ...kitchenFileOf(house), name: 'Our kitchen' });
    client.release();
    // Something of its own, that no import brought.
    await actOnLearning(c.pool, {
      id: randomUUID(),
      by: 'Lead',
      body: { kind: 'fix', key: 'flour plain-flour', factor: 1.1 },
    });
    const empty = await textOf(c.pool);
    const file = fileOf('back.json', await textOf(a.pool));
    const learnt = async () => {
      await logAndLearn(c.pool);
      const { rows } = await c.pool.query(
        `SELECT (SELECT count(*) FROM logged)::int AS logged, (SELECT count(*) FROM lesson)::int AS lessons,
           (SELECT count(*) FROM lesson WHERE left_out)::int AS out`,
      );
      const learned = await readLearned(c.pool, K);
      return {
        ...rows[0],
        tests: (await readAllWaterTests(c.pool, K)).length,
        fixed: learned?.byHand.fixed,
        forgotten: Object.keys(learned?.byHand.forgotten ?? {}),
      };
    };
    const none = { logged: 0, lessons: 0, out: 0, tests: 0, fixed: { [FIXED]: 1.1 }, forgotten: [] };
    expect(await learnt()).toEqual(none);
    const once = await takeArchive(c.pool, file);
    const all = await learnt();
    expect(all).toEqual({
      logged: expect.any(Number),
      lessons: expect.any(Number),
      out: 1,
      tests: 1,
      fixed: { [FIXED]: expect.any(Number) },
      forgotten: [FORGOTTEN],
    });
    expect(all.logged).toBeGreaterThan(2);
    await undoImport(c.pool, { id: once.importId, anyway: true });
    expect(await learnt()).toEqual(none);
    const { acts, waterTests, notebook, batches } = Archive.parse(JSON.parse(await textOf(c.pool)));
    expect([acts.length, waterTests, notebook, batches]).toEqual([1, [], [], []]);
    expect(JSON.parse(empty).acts).toHaveLength(1);
    await takeArchive(c.pool, file);
    expect(await learnt()).toEqual(all);
  } finally {
    await c.drop();
  }
}, 60_000);
