import { randomUUID } from 'node:crypto';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type pg from 'pg';
import type { KeepBody } from '../core/keep/events';
import { lotState } from '../core/keep/safe/fold';
import { NO_LINK } from '../core/record/chain';
import { together } from '../core/record/followed';
import { inEnglish } from '../core/text/inWords';
import { dayOf } from '../core/units/clock';
import { recordEvent, startBatch } from './actions/batches';
import { afterBatchEvent, openKeep, recordKeep, theLot } from './actions/keep/keep';
import { theLotRecord, theRecord } from './actions/record';
import { verifyRecord } from './actions/verify';
import { takeArchive } from './archive/take';
import { undoImport } from './archive/undo';
import { archiveText } from './archive/write';
import { loadDemo } from './data/demo/demo';
import { refusal, testDatabase } from './data/testDatabase';
import { recordCsv, recordJson, recordPdf } from './exports/recordFiles';
import { railOf } from './live/rail';
import { readInUse } from './queries/batches';
import { readLotsFrom } from './queries/keep';
import { readHouse } from './queries/kitchen';
import { readHead, sealOld } from './queries/record/seals';
import { startOf } from './testKit';

let pool: pg.Pool;
let drop: () => Promise<void>;

beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  await loadDemo(pool, join(process.cwd(), 'demo'));
}, 60_000);
afterAll(() => drop());

const MINUTE = 60_000;
/** The kitchen’s day: until four it is the evening before. */
const today = (): string => dayOf(new Date(), 4);
const line = (body: KeepBody, ago = 0, station = 'Closer') => ({
  id: randomUUID(),
  at: new Date(Date.now() - ago * MINUTE).toISOString(),
  station,
  body,
});
const putBy = (more: Partial<Extract<KeepBody, { kind: 'put by' }>> = {}): KeepBody => ({
  kind: 'put by',
  what: 'stock',
  name: 'Vegetable stock',
  madeAt: new Date(Date.now() - 60 * MINUTE).toISOString(),
  ml: 6000,
  allergens: ['celery'],
  container: { kind: 'pans', pan: 'tub-2', count: 3 },
  place: 'fridge',
  ...more,
});
const put = async (more: Parameters<typeof putBy>[0] = {}, ago = 30): Promise<string> => {
  const lot = randomUUID();
  await recordKeep(pool, lot, line(putBy(more), ago));
  return lot;
};
const stateOf = async (lot: string) => {
  const house = await readHouse(pool);
  return house && lotState(await theLot(pool, lot), house.keeping);
};
const refused = async (lot: string, body: KeepBody | object, more: object = {}) => {
  const { status, problems } = await refusal(recordKeep(pool, lot, { ...line(body as KeepBody), ...more }));
  return { status, field: problems[0]?.field, allowed: String(problems[0]?.allowed) };
};

describe('the demo’s shelf', () => {
  test('eight things stand on it, one near its date, one cools, one is hot, one was thrown away with its record', async () => {
    const { lots } = await openKeep(pool);
    const house = await readHouse(pool);
    const stages = lots.flatMap((l) => (house && lotState(l, house.keeping)?.stage) ?? []);
    expect(stages.filter((s) => s === 'cold' || s === 'frozen')).toHaveLength(8);
    expect(stages.filter((s) => s === 'cooling')).toHaveLength(1);
    expect(stages.filter((s) => s === 'hot')).toHaveLength(1);
    const yesterday = new Date(Date.now() - 2 * 86_400_000).toISOString().slice(0, 10);
    const { entries } = await theRecord(pool, { from: yesterday, to: new Date().toISOString().slice(0, 10) });
    expect(entries.some((e) => e.marks.includes('discarded'))).toBe(true);
    expect(entries.some((e) => e.marks.includes('over the limit'))).toBe(true);
  });
  test('what has to be seen to is on the rail, what only stands on its shelf is not', async () => {
    const rail = await railOf(pool, Date.now());
    expect(
      rail
        .filter((t) => t.kept)
        .map((t) => inEnglish(t.doing as never))
        .sort(),
    ).toEqual(['Cooling to 21 °C: probe by', 'Kept hot: probe by']);
    expect(rail.find((t) => t.kept && inEnglish(t.doing as never).startsWith('Cooling'))?.by).toBe('model');
  });
});

describe('what cannot be true is refused by its field, and nothing is written', () => {
  test('a reading of 900 °C, and one before the last', async () => {
    const lot = await put();
    expect(await refused(lot, { kind: 'temperature', celsius: 900 })).toMatchObject({
      status: 400,
      field: 'body.celsius',
    });
    await recordKeep(pool, lot, line({ kind: 'temperature', celsius: 4 }, 5));
    expect(
      await refused(
        lot,
        { kind: 'temperature', celsius: 5 },
        { at: new Date(Date.now() - 9 * MINUTE).toISOString() },
      ),
    ).toMatchObject({ status: 422, field: 'at' });
    expect((await stateOf(lot))?.readings).toHaveLength(1);
    // A station that was cut off brings its own later than another's, and a note bars no reading.
    await recordKeep(pool, lot, line({ kind: 'note', text: 'lid on' }, 1));
    await recordKeep(pool, lot, line({ kind: 'temperature', celsius: 5 }, 9, 'Opener'));
    await recordKeep(pool, lot, line({ kind: 'temperature', celsius: 4.5 }, 3));
    expect((await stateOf(lot))?.readings.map((r) => r.celsius)).toEqual([5, 4, 4.5]);
  });
  test('a use-by before it was made, and made after it is put by', async () => {
    expect(await refused(randomUUID(), putBy({ useBy: '2026-01-01' }))).toMatchObject({
      status: 400,
      field: 'body.useBy',
    });
    expect(
      await refused(randomUUID(), putBy({ madeAt: new Date(Date.now() + 3_600_000).toISOString() })),
    ).toMatchObject({ status: 422, field: 'body.madeAt' });
  });
  test('litres out that were never in', async () => {
    const lot = await put();
    expect(await refused(lot, { kind: 'taken', ml: 6100 })).toMatchObject({
      status: 422,
      field: 'body.ml',
      allowed: 'at most the 6.0 L that are left',
    });
    expect(await refused(lot, { kind: 'thrown away', ml: 6100, why: 'spoilt' })).toMatchObject({
      field: 'body.ml',
    });
  });
  test('a label for nothing', async () => {
    const lot = await put();
    await recordKeep(pool, lot, line({ kind: 'used up' }));
    expect(await refused(lot, { kind: 'labelled', count: 2, size: 'roll 62', again: false })).toMatchObject({
      status: 422,
      field: 'body.count',
    });
  });
  test('new onto old, with the reason', async () => {
    const found = await refused(await put(), { kind: 'topped up', ml: 500 });
    expect(found.field).toBe('body.kind');
    expect(found.allowed).toMatch(/dated by the old/);
  });
  test('cold soup into the bath, reheated twice, said to be hot when it is not', async () => {
    const lot = await put({ what: 'soup' });
    expect(await refused(lot, { kind: 'kept hot', place: 'bath', lid: true })).toMatchObject({
      field: 'body.kind',
    });
    await recordKeep(pool, lot, line({ kind: 'reheating', vessel: 'middle-28', burner: 'front-left' }));
    expect(await refused(lot, { kind: 'reheated', celsius: 70, seconds: 60 })).toMatchObject({
      field: 'body.celsius',
      allowed: 'at least 74 °C: go on heating',
    });
    expect(await refused(lot, { kind: 'reheated', celsius: 80, seconds: 5 })).toMatchObject({
      field: 'body.seconds',
    });
    await recordKeep(pool, lot, line({ kind: 'reheated', celsius: 80, seconds: 20 }));
    expect(
      await refused(lot, { kind: 'reheating', vessel: 'middle-28', burner: 'front-left' }),
    ).toMatchObject({ field: 'body.kind' });
    await recordKeep(pool, lot, line({ kind: 'used up' }));
  });
  test('a pan, a pot or a place the kitchen has not, and more than they hold', async () => {
    expect(await refused(randomUUID(), putBy({ place: 'moon' }))).toMatchObject({
      status: 404,
      field: 'body.place',
    });
    expect(
      await refused(randomUUID(), putBy({ container: { kind: 'pans', pan: 'tub-2', count: 2 } })),
    ).toMatchObject({ status: 422, field: 'body.container' });
    const lot = await put();
    expect(
      await refused(lot, {
        kind: 'set to cool',
        way: { into: { kind: 'pot', vessel: 'low-wide-26' }, place: 'blast' },
      }),
    ).toMatchObject({ field: 'body.way.into' });
  });
  test('a probe that is out by more than a degree, until it is put right', async () => {
    const lot = await put();
    await recordKeep(
      pool,
      'kitchen',
      line({ kind: 'probe checked', probe: 'Probe 9', point: 'ice', celsius: 1.6, expected: 0 }),
    );
    const reading: KeepBody = { kind: 'temperature', celsius: 4, from: 'Probe 9' };
    expect(await refused(lot, reading)).toMatchObject({ field: 'body.from' });
    await recordKeep(
      pool,
      'kitchen',
      line({ kind: 'probe put right', probe: 'Probe 9', how: 'new battery' }),
    );
    expect((await recordKeep(pool, lot, line(reading))).isNew).toBe(true);
  });
  test('days signed backwards, a line of the kitchen on a thing and one of a thing on the kitchen', async () => {
    expect(
      await refused('kitchen', { kind: 'signed', from: '2026-11-20', to: '2026-11-19', by: 'Lead' }),
    ).toMatchObject({ field: 'body.to' });
    expect(await refused('kitchen', { kind: 'note', text: 'x' })).toMatchObject({ field: 'body.kind' });
    expect(
      await refused(await put(), { kind: 'signed', from: '2026-11-20', to: '2026-11-20', by: 'Lead' }),
    ).toMatchObject({ field: 'body.kind' });
    expect(await refused(randomUUID(), { kind: 'used up' })).toMatchObject({ status: 404, field: 'lot' });
  });
});

test('a line of another thing cannot be taken back, one of its own can', async () => {
  const [here, there] = [await put(), await put()];
  const taken = line({ kind: 'taken', ml: 500 });
  await recordKeep(pool, there, taken);
  expect(await refused(here, { kind: 'withdrawn', event: taken.id })).toMatchObject({ field: 'body.event' });
  await recordKeep(pool, there, line({ kind: 'withdrawn', event: taken.id }));
  expect((await stateOf(there))?.ml).toBe(6000);
});

test('when nothing of it is left a note is taken, and what is only of what is left is not', async () => {
  const lot = await put();
  await recordKeep(pool, lot, line({ kind: 'used up' }));
  expect(await refused(lot, { kind: 'temperature', celsius: 4 })).toMatchObject({ field: 'body.kind' });
  expect(await refused(lot, { kind: 'labelled', count: 2, size: 'A4', again: false })).toMatchObject({
    field: 'body.count',
  });
  await recordKeep(pool, lot, line({ kind: 'note', text: 'all of it went to staff' }));
  await recordKeep(pool, lot, line({ kind: 'put right', what: 'told the lead' }));
  expect((await theLot(pool, lot)).events).toHaveLength(4);
});

test('its record says by when it is used; that of what is over does not', async () => {
  const lot = await put({ madeAt: new Date(Date.now() - 30 * MINUTE).toISOString(), celsius: 3 }, 20);
  const asked = { from: '2026-01-01', to: '2099-01-01', page: '0', lot };
  expect((await theLotRecord(pool, asked)).useBy).not.toBeNull();
  await recordKeep(pool, lot, line({ kind: 'used up' }));
  expect(await theLotRecord(pool, asked)).toMatchObject({ over: true, useBy: null, condition: null });
});

test('all that was ever kept comes page by page, each once, the oldest first', async () => {
  const whole = await readLotsFrom(pool, 'quay-house', null, 1000);
  const paged: string[] = [];
  let after: { openedAt: string; id: string } | null = null;
  for (let page = await readLotsFrom(pool, 'quay-house', after, 3); page.length > 0; ) {
    paged.push(...page.map((l) => l.id));
    const last = page.at(-1)!;
    after = { openedAt: last.openedAt, id: last.id };
    page = await readLotsFrom(pool, 'quay-house', after, 3);
  }
  expect(whole.length).toBeGreaterThan(6);
  expect(paged).toEqual(whole.map((l) => l.id));
});

test('a line of the stove that names one of another batch is refused, one that names its own is taken', async () => {
  const ids = (
    await pool.query('SELECT id FROM batch ORDER BY over_at IS NOT NULL, started_at DESC LIMIT 2')
  ).rows.map((r) => r.id as string);
  const [one, other] = ids as [string, string];
  const reading = {
    ...line({ kind: 'note', text: '' }),
    body: { kind: 'temperature', celsius: 80, step: 0 },
  };
  await recordEvent(pool, one, reading);
  const back = (event: string) => ({
    ...line({ kind: 'note', text: '' }),
    body: { kind: 'withdrawn', event },
  });
  const { problems } = await refusal(recordEvent(pool, other, back(reading.id)));
  expect(problems[0]).toMatchObject({ field: 'body.event' });
  expect((await recordEvent(pool, one, back(reading.id))).isNew).toBe(true);
});

test('the same line twice is kept once, at once and again; one id is not two things’', async () => {
  const lot = await put();
  const once = line({ kind: 'taken', ml: 500 });
  const answers = await Promise.all([1, 2, 3].map(() => recordKeep(pool, lot, once)));
  expect(answers.filter((a) => a.isNew)).toHaveLength(1);
  expect((await stateOf(lot))?.ml).toBe(5500);
  expect((await refusal(recordKeep(pool, await put(), once))).status).toBe(409);
});

describe('a batch that is finished to be kept', () => {
  /** The one under way, begun last. */
  const batchOf = async (): Promise<string> =>
    (
      await pool.query(
        "SELECT id FROM batch WHERE plan ->> 'recipeName' LIKE 'Smoked parsnip%' ORDER BY started_at DESC LIMIT 1",
      )
    ).rows[0].id;
  test('is put by once, in its pot, with what is in it; out of its pot the batch is over and the pot free', async () => {
    const id = await batchOf();
    const finished = {
      ...line({ kind: 'note', text: '' }),
      station: 'Opener',
      body: { kind: 'finished', goesTo: 'hold', yieldMl: 7600 },
    };
    await recordEvent(pool, id, finished);
    await Promise.all([1, 2].map(() => afterBatchEvent(pool, id, finished as never)));
    const state = await stateOf(id);
    expect(state).toMatchObject({
      stage: 'hot',
      ml: 7600,
      place: 'bath',
      container: { kind: 'pot', vessel: 'middle-28' },
    });
    expect(state?.put.allergens).toContain('milk');
    expect(state?.put.costPerL).toBeGreaterThan(0);
    expect((await theLot(pool, id)).events).toHaveLength(1);
    expect((await readInUse(pool, 'quay-house')).map((u) => u.vesselId)).toContain('middle-28');
    const rail = await railOf(pool, Date.now());
    expect(rail.filter((t) => t.id === id)).toMatchObject([{ kept: true }]);
    await recordKeep(
      pool,
      id,
      line({
        kind: 'set to cool',
        way: { into: { kind: 'pans', pan: 'full-65', count: 3 }, place: 'blast' },
      }),
    );
    expect((await readInUse(pool, 'quay-house')).map((u) => u.vesselId)).not.toContain('middle-28');
    const kinds = (
      await pool.query("SELECT body ->> 'kind' AS kind FROM batch_event WHERE batch_id = $1 ORDER BY seq", [
        id,
      ])
    ).rows.map((r) => r.kind);
    expect(kinds.slice(-2)).toEqual(['finished', 'cleared']);
  });
  test('finishing taken back, it is not put by any more', async () => {
    const id = await batchOf();
    const { rows } = await pool.query(
      "SELECT id FROM batch_event WHERE batch_id = $1 AND body ->> 'kind' = 'finished'",
      [id],
    );
    const back = { ...line({ kind: 'note', text: '' }), body: { kind: 'withdrawn', event: rows[0].id } };
    await recordEvent(pool, id, back);
    await afterBatchEvent(pool, id, back as never);
    expect(await stateOf(id)).toBeNull();
    expect((await openKeep(pool)).lots.some((l) => l.id === id)).toBe(false);
    // Taken back by mistake: it counts again, with its old time, and what it was put by for does too.
    const again = { ...line({ kind: 'note', text: '' }), body: { kind: 'withdrawn', event: back.id } };
    await recordEvent(pool, id, again);
    await afterBatchEvent(pool, id, again as never);
    expect((await stateOf(id))?.put.batch).toBe(id);
    expect((await openKeep(pool)).lots.some((l) => l.id === id)).toBe(true);
    const ends = () =>
      pool.query(
        'SELECT over_at IS NOT NULL AS over, off_stove_at IS NOT NULL AS off FROM batch WHERE id = $1',
        [id],
      );
    expect((await ends()).rows).toEqual([{ over: true, off: true }]);
  });
});

describe('a server that ended between finishing and putting by', () => {
  test('puts by what was to be held or cooled when it is begun again, once, and nothing that went to the pass', async () => {
    const begun: Record<string, string> = {};
    for (const goesTo of ['hold', 'cool', 'pass']) {
      const id = randomUUID();
      begun[goesTo] = id;
      await startBatch(pool, startOf({ id, anyway: true }));
      const body = { kind: 'finished', goesTo, yieldMl: 7600 };
      await recordEvent(pool, id, {
        id: randomUUID(),
        at: new Date().toISOString(),
        station: 'Opener',
        body,
      });
    }
    const standing = async (mend: boolean) => {
      const kept = new Set((await openKeep(pool, { mend })).lots.map((l) => l.id));
      return Object.keys(begun).filter((goesTo) => kept.has(begun[goesTo] ?? ''));
    };
    expect(await standing(false)).toEqual([]);
    expect(await standing(true)).toEqual(['hold', 'cool']);
    expect(await standing(true)).toEqual(['hold', 'cool']);
    expect((await theLot(pool, begun.hold ?? '')).events).toHaveLength(1);
  });
});

describe('what goes against a rule', () => {
  const hot = {
    what: 'soup',
    place: 'worktop',
    celsius: 84,
    container: { kind: 'pot', vessel: 'middle-28' },
  } as const;

  test('is taken, and stands in the record with what was done, on CSV, JSON and the screen', async () => {
    const lot = await put({ ...hot, name: 'Warm leek' }, 30);
    const stored = line({ kind: 'cooled', place: 'fridge' }, 10);
    await recordKeep(pool, lot, stored);
    expect(await stateOf(lot)).toMatchObject({ stage: 'cooling', place: 'fridge' });
    const of = async () => theRecord(pool, { lot });
    const entry = (await of()).entries.find((e) => e.id === stored.id);
    expect(entry?.marks).toContain('over the limit');
    expect(entry?.done).toMatchObject({ what: '' });
    expect(recordCsv(await of(), inEnglish)).toContain('nobody has said what was done');
    await recordKeep(
      pool,
      lot,
      line({ kind: 'put right', what: 'moved to the blast', about: `stored warm ${stored.id}` }, 5, 'Lead'),
    );
    const csv = recordCsv(await of(), inEnglish);
    const row = csv.split('\r\n').find((r) => r.endsWith(stored.id));
    expect(row).toContain('stored at 84.0 °C, over 5 °C');
    expect(row).toContain('moved to the blast,Lead,');
    const json = recordJson(await of(), inEnglish).entries.find((e) => e.id === stored.id);
    expect(json).toMatchObject({
      marks: ['over the limit', 'late'],
      done: { what: 'moved to the blast', by: 'Lead' },
    });
  });

  test('a part is judged by what it was parted from, wherever it is read', async () => {
    const lot = await put(
      { ...hot, name: 'Slow leek', madeAt: new Date(Date.now() - 200 * MINUTE).toISOString() },
      200,
    );
    await recordKeep(pool, lot, line({ kind: 'temperature', celsius: 50 }, 180));
    await recordKeep(pool, lot, line({ kind: 'temperature', celsius: 30 }, 20));
    const part = randomUUID();
    await recordKeep(
      pool,
      part,
      line(putBy({ from: lot, name: 'Slow leek', ml: 2000, place: 'fridge', what: 'soup' }), 10),
    );
    await recordKeep(pool, lot, line({ kind: 'parted', ml: 2000, into: part }, 10));
    expect((await stateOf(part))?.course.clock).not.toBeNull();
    expect((await stateOf(part))?.stage).toBe('cooling');
    const told = (await openKeep(pool)).lots.find((l) => l.id === part);
    expect(told?.from?.id).toBe(lot);
    const { rows } = await pool.query('SELECT stage FROM lot WHERE id = $1', [part]);
    expect(rows).toEqual([{ stage: 'cooling' }]);
  });

  test('a reading put right keeps its old time; one that only comes late is refused', async () => {
    const lot = await put({ ...hot, name: 'Read twice' }, 60);
    const slip = line({ kind: 'temperature', celsius: 14 }, 40);
    await recordKeep(pool, lot, slip);
    await recordKeep(pool, lot, line({ kind: 'temperature', celsius: 52 }, 20));
    const right = { ...line({ kind: 'temperature', celsius: 64 }), at: slip.at };
    expect(await refused(lot, right.body, { at: slip.at })).toMatchObject({ status: 422, field: 'at' });
    await recordKeep(
      pool,
      lot,
      line({ kind: 'withdrawn', event: slip.id, why: 'wrong pan', instead: right.id }),
    );
    await recordKeep(pool, lot, right);
    expect((await stateOf(lot))?.readings.map((r) => r.celsius)).toEqual([84, 64, 52]);
    const entries = (await theRecord(pool, { lot })).entries;
    expect(entries.find((e) => e.id === slip.id)?.marks).toContain('taken back');
    expect(entries.map((e) => inEnglish(e.says))).toContain('Taken back: wrong pan');
  });

  test('what fell under its limit on the pass is reheated where it stands, to the figure and not short of it', async () => {
    const lot = await put({ ...hot, place: 'bath', name: 'Fell' }, 60);
    expect(await refused(lot, { kind: 'reheated', celsius: 80, seconds: 20 })).toMatchObject({
      field: 'body.kind',
    });
    await recordKeep(pool, lot, line({ kind: 'temperature', celsius: 50 }, 20));
    expect((await stateOf(lot))?.under).not.toBeNull();
    expect(await refused(lot, { kind: 'reheated', celsius: 70, seconds: 20 })).toMatchObject({
      field: 'body.celsius',
    });
    await recordKeep(pool, lot, line({ kind: 'reheated', celsius: 80, seconds: 20 }));
    expect(await stateOf(lot)).toMatchObject({ under: null, stage: 'hot' });
  });

  test('a stove reading taken back is marked so in the record, with the line that took it back', async () => {
    const { rows } = await pool.query(
      "SELECT id FROM batch WHERE plan ->> 'recipeName' LIKE 'Smoked parsnip%' LIMIT 1",
    );
    const read = line({ kind: 'temperature', celsius: 12 }, 1);
    await recordEvent(pool, rows[0].id, read);
    const back = {
      ...line({ kind: 'note', text: '' }),
      body: { kind: 'withdrawn', event: read.id, why: 'a slip' },
    };
    await recordEvent(pool, rows[0].id, back);
    const { entries } = await theRecord(pool, { from: today() });
    expect(entries.find((e) => e.id === read.id)?.marks).toContain('taken back');
    expect(entries.filter((e) => e.id === back.id).map((e) => inEnglish(e.says))).toEqual([
      'Taken back: a slip',
    ]);
  });
});

describe('the record leaves', () => {
  test('as CSV, JSON and PDF, each with the head of the chain', async () => {
    const record = await theRecord(pool, { from: today() });
    const head = await readHead(pool, 'quay-house');
    expect(recordCsv(record, inEnglish)).toContain(`head ${head.n}:${head.hash}`);
    expect(recordCsv(record, inEnglish).split('\r\n')[0]).toBe(
      'at,received,of,lot,says,celsius,by,station,access,said,probe,marks,done,done by,done at,id',
    );
    const json = recordJson(record, inEnglish);
    expect(json).toMatchObject({ format: 'panache.record/1', head });
    expect(json.entries.every((e) => typeof e.says === 'string')).toBe(true);
    expect(
      Buffer.from(await recordPdf(record, 'A4', inEnglish))
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
  });
  test('a span that is none, and one too long, are refused', async () => {
    expect(
      (await refusal(theRecord(pool, { from: '2026-11-20', to: '2026-11-19' }))).problems[0]?.field,
    ).toBe('to');
    expect(
      (await refusal(theRecord(pool, { from: '2026-01-01', to: '2026-11-19' }))).problems[0]?.field,
    ).toBe('to');
    expect((await refusal(theRecord(pool, { from: 'yesterday' }))).problems[0]?.field).toBe('from');
  });
  test('signed off it says by whom', async () => {
    const day = today();
    await recordKeep(
      pool,
      'kitchen',
      line({ kind: 'signed', from: day, to: day, by: 'Lead', note: 'all well' }),
    );
    expect((await theRecord(pool, { from: day })).signed).toMatchObject([{ by: 'Lead', note: 'all well' }]);
  });
});

describe('tampering, straight in SQL with the triggers off', () => {
  /** Runs `sql` past every guard, looks, and puts everything back. */
  const tampered = async (
    sql: string,
    values: readonly unknown[],
    heads: Parameters<typeof verifyRecord>[1] = [],
  ) => {
    const client = await pool.connect();
    try {
      await client.query('BEGIN');
      await client.query("SET LOCAL session_replication_role = 'replica'");
      await client.query(sql, [...values]);
      return (await verifyRecord(client as never, heads)).findings;
    } finally {
      await client.query('ROLLBACK');
      client.release();
    }
  };
  const someLine = async () => {
    const { rows } = await pool.query<{ id: string; n: string; at: Date }>(
      `SELECT e.id, s.n, e.at FROM keep_event e JOIN seal s ON s.id = e.id WHERE e.body ->> 'kind' = 'temperature' ORDER BY s.n LIMIT 1 OFFSET 2`,
    );
    if (!rows[0]) throw new Error('no line');
    return rows[0];
  };

  test('untouched, every line follows: batches, their lines, and what is kept', async () => {
    const { findings, links } = await verifyRecord(pool, []);
    expect(findings).toEqual([]);
    const { rows } = await pool.query('SELECT count(*)::int AS n FROM to_seal');
    expect(links).toBe(rows[0].n);
  });
  test('followed in stretches it comes to the same, each beginning where the one before ended', async () => {
    const whole = await verifyRecord(pool, []);
    const kept = [
      { n: 3, hash: '0'.repeat(64) },
      { n: whole.head.n + 5, hash: '1'.repeat(64) },
    ];
    for (const atMost of [7, whole.links, whole.links + 1]) {
      let so: Awaited<ReturnType<typeof verifyRecord>> | null = null;
      let asked = 0;
      do {
        const next = await verifyRecord(pool, kept, { after: so?.head ?? NO_LINK, atMost });
        expect(next.links).toBeLessThanOrEqual(atMost);
        so = so ? together(so, next) : next;
        asked++;
        expect(so.head.n).toBe(so.links);
      } while (!so.done);
      expect(so).toMatchObject({ links: whole.links, head: whole.head, of: whole.links });
      expect(asked).toBe(Math.floor(whole.links / atMost) + 1);
      // Each head is looked at once, and only the end says that one lies beyond it.
      expect(so.findings.map((f) => f.finding.kind)).toEqual(['rewritten', 'cut short']);
    }
  });
  test('a changed body is found, named, and since when', async () => {
    const { id, n } = await someLine();
    const [found, ...others] = await tampered(
      `UPDATE keep_event SET body = jsonb_set(body, '{celsius}', '4') WHERE id = $1`,
      [id],
    );
    expect(others).toEqual([]);
    expect(found).toMatchObject({
      finding: { kind: 'changed', n: Number(n), id },
      row: { kind: 'temperature' },
      sealedAt: expect.any(String),
    });
    expect(found?.row?.name).not.toBe('');
  });
  test('a changed time too, to the millisecond, and of a line on the stove', async () => {
    const { id } = await someLine();
    expect(
      await tampered(`UPDATE keep_event SET at = at - interval '1 millisecond' WHERE id = $1`, [id]),
    ).toMatchObject([{ finding: { kind: 'changed', id } }]);
    const { rows } = await pool.query('SELECT id FROM batch_event ORDER BY seq LIMIT 1');
    expect(
      await tampered(`UPDATE batch_event SET received_at = received_at - interval '1 minute' WHERE id = $1`, [
        rows[0].id,
      ]),
    ).toMatchObject([{ finding: { kind: 'changed', source: 'batch_event' } }]);
  });
  test('a deleted row', async () => {
    const { id, n } = await someLine();
    expect(await tampered('DELETE FROM keep_event WHERE id = $1', [id])).toMatchObject([
      { finding: { kind: 'removed', n: Number(n), id }, row: null },
    ]);
  });
  test('an inserted row', async () => {
    const found = await tampered(
      `INSERT INTO keep_event (id, kitchen_id, lot_id, at, station, body)
       SELECT $1, kitchen_id, lot_id, at, station, body FROM keep_event WHERE body ->> 'kind' = 'temperature' LIMIT 1`,
      [randomUUID()],
    );
    expect(found).toMatchObject([
      { finding: { kind: 'slipped in', source: 'keep_event' }, row: { kind: 'temperature' } },
    ]);
  });
  test('a truncated end, rows and links, by the head a station kept', async () => {
    const head = await readHead(pool, 'quay-house');
    const cut = `WITH gone AS (DELETE FROM seal WHERE n > $1 RETURNING id, source),
      k AS (DELETE FROM keep_event WHERE id IN (SELECT id FROM gone WHERE source = 'keep_event'))
      DELETE FROM batch_event WHERE id IN (SELECT id FROM gone WHERE source = 'batch_event')`;
    expect(await tampered(cut, [head.n - 3])).toEqual([]);
    expect(await tampered(cut, [head.n - 3], [head])).toMatchObject([
      { finding: { kind: 'cut short', n: head.n - 3, head } },
    ]);
  });
  test('the application’s own role can change none of it', async () => {
    await expect(pool.query("UPDATE keep_event SET station = 'x'")).rejects.toThrow(/append-only/);
    await expect(pool.query('DELETE FROM seal')).rejects.toThrow(/append-only/);
  });
});

test('what was there before the chain is sealed once, as the server starts', async () => {
  const other = await testDatabase();
  try {
    await loadDemo(other.pool, join(process.cwd(), 'demo'));
    await other.pool.query('ALTER TABLE seal DISABLE TRIGGER ALL');
    await other.pool.query('DELETE FROM seal');
    expect((await verifyRecord(other.pool, [])).findings.length).toBeGreaterThan(20);
    expect(await sealOld(other.pool)).toBeGreaterThan(20);
    expect((await verifyRecord(other.pool, [])).findings).toEqual([]);
    expect(await sealOld(other.pool)).toBe(0);
  } finally {
    await other.drop();
  }
}, 60_000);

test('an archive carries what is kept and the lines of the kitchen; taken in elsewhere it stands there, sealed, and gone back on it is out of sight', async () => {
  const other = await testDatabase();
  const folder = await mkdtemp(join(tmpdir(), 'panache-kept-'));
  try {
    await loadDemo(other.pool, join(process.cwd(), 'demo'));
    let text = '';
    for await (const piece of archiveText(pool, new Date())) text += piece;
    const file = join(folder, 'archive.json');
    await writeFile(file, text);
    const count = async () => {
      const { rows } = await other.pool.query(
        'SELECT (SELECT count(*) FROM lot WHERE over_at IS NULL)::int AS living, (SELECT count(*) FROM keep_event WHERE lot_id IS NULL)::int AS lines',
      );
      return rows[0] as { living: number; lines: number };
    };
    const before = await count();
    const taken = await takeArchive(other.pool, file);
    const here = (await openKeep(pool)).lots;
    expect((await count()).living).toBe(before.living + here.length);
    expect((await count()).lines).toBeGreaterThan(before.lines);
    const [one] = here;
    // Each line as it was, and marked for good.
    expect(one && (await theLot(other.pool, one.id)).events).toEqual(
      one?.events.map((e) => ({ ...e, brought: true })),
    );
    expect((await verifyRecord(other.pool, [])).findings).toEqual([]);
    // The same file again brings nothing twice.
    const second = await takeArchive(other.pool, file);
    expect((await count()).living).toBe(before.living + here.length);
    expect(taken.newLots?.length).toBeGreaterThanOrEqual(here.length);
    const last = await takeArchive(other.pool, file);
    expect(last.newLots).toEqual([]);
    // What stood here before an import is not its own: gone back on, only what the first brought goes, with the first.
    await undoImport(other.pool, { id: last.importId });
    expect((await count()).living).toBe(before.living + here.length);
    await undoImport(other.pool, { id: second.importId, anyway: true });
    await undoImport(other.pool, { id: taken.importId, anyway: true });
    expect((await count()).living).toBe(before.living);
    expect((await takeArchive(other.pool, file)).newLots).toHaveLength(here.length);
    expect((await count()).living).toBe(before.living + here.length);
    expect((await verifyRecord(other.pool, [])).findings).toEqual([]);
  } finally {
    await rm(folder, { recursive: true });
    await other.drop();
  }
}, 60_000);
