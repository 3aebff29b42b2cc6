import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import pg from 'pg';
import type { BatchEvent } from '../../core/batch/events';
import { recordEvent } from '../actions/batches';
import { gathered } from '../actions/gathered';
import { loadDemo } from '../data/demo/demo';
import { refusal, testDatabase } from '../data/testDatabase';
import { readBatches, UNBOUND } from '../queries/batches';
import { type DeviceNews, eventsOf, heard, thinned } from './devices';
import { type LiveTold, listen } from './live';
import { railOf } from './rail';

let pool: pg.Pool;
let drop: () => Promise<void>;
let batch: string;

beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  await loadDemo(pool, join(process.cwd(), 'demo'));
  batch = (await readBatches(pool, 'quay-house'))[0]?.id ?? '';
  const { host, port, user, password, database } = pool.options;
  process.env.DATABASE_URL =
    pool.options.connectionString ?? `postgres://${user}:${password}@${host}:${port}/${database}`;
});
afterAll(() => drop());

const event = (body: BatchEvent['body']): BatchEvent => ({
  id: randomUUID(),
  at: new Date().toISOString(),
  station: 'Closer',
  body,
});

/** The event as it is told: with when the server took it. */
const taken = (e: BatchEvent) => ({ ...e, receivedAt: expect.any(String) });

/** What is told from when `work` begins until `enough` of it has come. */
async function toldDuring(work: () => Promise<unknown>, enough: number): Promise<readonly LiveTold[]> {
  const told: LiveTold[] = [];
  let arrived = () => {};
  const all = new Promise<void>((resolve) => {
    arrived = resolve;
  });
  const stop = listen(null, (t) => {
    told.push(t);
    if (told.length >= enough) arrived();
  });
  // The first thing told is that reading anew is wise: the line is open.
  while (told.length === 0) await new Promise((r) => setTimeout(r, 5));
  await work();
  await all;
  stop();
  return told;
}

test('every event is told whole, in the order written, whichever process wrote it', async () => {
  const events = [1, 2, 3].map((n) => event({ kind: 'note', text: `so far ${n}` }));
  const elsewhere = new pg.Pool({ connectionString: process.env.DATABASE_URL, max: 1 });
  const told = await toldDuring(async () => {
    for (const e of events) await recordEvent(elsewhere, batch, e);
  }, 4);
  await elsewhere.end();
  expect(told).toEqual(['again', ...events.map((e) => ({ batch, event: taken(e) }))]);
});

test('an event too long for a notification is told all the same', async () => {
  const long = event({ kind: 'note', text: '粥'.repeat(1000) });
  const longer: BatchEvent = {
    ...long,
    id: randomUUID(),
    body: { kind: 'flow', test: { kind: 'cup', orifice: 4 }, readings: Array(9).fill(41.25), celsius: 65 },
  };
  const told = await toldDuring(async () => {
    await recordEvent(pool, batch, long);
    await recordEvent(pool, batch, longer);
  }, 3);
  expect(told.slice(1)).toEqual([
    { batch, event: taken(long) },
    { batch, event: taken(longer) },
  ]);
});

test('a tap already written is told once, and answered as known', async () => {
  const e = event({ kind: 'look', looks: 'smooth' });
  const last = event({ kind: 'look', looks: 'skin' });
  const told = await toldDuring(async () => {
    const answers = await Promise.all([1, 2, 3].map(() => recordEvent(pool, batch, e)));
    expect(answers.filter((a) => a.isNew)).toHaveLength(1);
    await recordEvent(pool, batch, last);
  }, 3);
  expect(told.slice(1).map((t) => t !== 'again' && 'event' in t && t.event?.id)).toEqual([e.id, last.id]);
});

test.each([
  [{ kind: 'step-done', step: 10 }, 'body.step', /a step of this batch, 0 to 9/],
  [{ kind: 'depth', mm: 201 }, 'body.mm', /at most 200 mm/],
  [{ kind: 'volume', ml: 12_400 }, 'body.ml', /at most 12315 mL/],
  [{ kind: 'timer-stopped', timer: randomUUID() }, 'body.timer', /an event of this batch/],
  [{ kind: 'step-done', step: randomUUID() }, 'body.step', /an event of this batch/],
  [{ kind: 'withdrawn', event: randomUUID() }, 'body.event', /an event of this batch/],
] as const)('%j does not agree with the batch: refused by its field', async (body, field, allowed) => {
  const refused = await refusal(recordEvent(pool, batch, event(body as BatchEvent['body'])));
  expect(refused.status).toBe(422);
  expect(refused.problems[0]?.field).toBe(field);
  expect(refused.problems[0]?.allowed).toMatch(allowed);
});

test('many at once are each answered for themselves, kept in the order they came, and told in it', async () => {
  const notes = Array.from({ length: 20 }, (_, n) => event({ kind: 'note', text: `at once ${n}` }));
  const wrong = event({ kind: 'depth', mm: 900 });
  const started = event({ kind: 'timer-started', name: 'all at once', seconds: 60 });
  // It names what is being written with it.
  const stopped = event({ kind: 'timer-stopped', timer: started.id });
  const told = await toldDuring(async () => {
    const all = [...notes.slice(0, 10), wrong, ...notes.slice(10), started, stopped];
    const answers = await Promise.allSettled(all.map((e) => recordEvent(pool, batch, e)));
    expect(answers.map((a) => a.status === 'fulfilled' && a.value.isNew)).toEqual(
      all.map((e) => e !== wrong),
    );
  }, 23);
  expect(told.slice(1).map((t) => t !== 'again' && 'event' in t && t.event?.id)).toEqual(
    [...notes, started, stopped].map((e) => e.id),
  );
});

test('what the database cannot hold is refused by its field, and costs the others nothing', async () => {
  for (const text of ['a \u0000 in it', 'half \ud800 a sign']) {
    const good = event({ kind: 'note', text: 'good' });
    const bad = event({ kind: 'note', text });
    const [first, second] = await Promise.all([
      refusal(recordEvent(pool, batch, bad)),
      recordEvent(pool, batch, good),
    ]);
    expect(first).toMatchObject({ status: 400, problems: [{ field: 'body.text' }] });
    expect(second.isNew).toBe(true);
    // And past the door: what the database refuses is refused alone.
    const [worse, better] = await Promise.allSettled([
      gathered(pool, { batch, event: bad, bounds: UNBOUND }),
      gathered(pool, { batch, event: event({ kind: 'note', text: 'better' }), bounds: UNBOUND }),
      gathered(pool, { batch, event: event({ kind: 'note', text: 'best' }), bounds: UNBOUND }),
    ]);
    expect(worse.status).toBe('rejected');
    expect(better).toMatchObject({ status: 'fulfilled', value: true });
  }
});

test('to the rim is as far as a ruler goes', async () => {
  expect((await recordEvent(pool, batch, event({ kind: 'depth', mm: 200 }))).isNew).toBe(true);
});

test('the rail tells the minute the model sees the step end, and the timers', async () => {
  const started = event({ kind: 'timer-started', name: 'stock', seconds: 600 });
  await recordEvent(pool, batch, { ...started, at: new Date().toISOString() });
  const [ticket] = await railOf(pool, Date.now());
  expect(ticket).toMatchObject({ id: batch, doing: { text: 'Simmer until tender' } });
  expect(ticket?.timers.map((t) => t.name)).toEqual(['stock']);
  expect(Date.parse(ticket?.until ?? '')).toBeGreaterThan(Date.now());
});

describe('what a device bridge sends', () => {
  test.each([
    [
      'reading',
      '{"device":"probe-1","value":61.5,"unit":"°C"}',
      { kind: 'reading', device: 'probe-1', value: 61.5, unit: '°C' },
    ],
    ['reading', '{half', { kind: 'fault', device: '', says: 'sends what is not JSON: “{half”' }],
    [
      'reading',
      '{"device":"probe-1","value":9e9,"unit":"°C"}',
      { kind: 'fault', device: 'probe-1', says: 'sends what cannot be: 9000000000 °C' },
    ],
    [
      'reading',
      '{"device":"probe-1","value":-3,"unit":"s"}',
      { kind: 'fault', device: 'probe-1', says: 'sends what cannot be: -3 s' },
    ],
    [
      'devices',
      '[{"id":1}]',
      { kind: 'fault', device: '', says: 'sends a list of devices that cannot be read' },
    ],
    ['weather', '{}', null],
  ] as const)('%s %s', (kind, data, expected) => {
    expect(heard(kind, data)).toEqual(expected);
  });

  test('nonsense in a reading names the device and what it sent', () => {
    expect(heard('reading', '{"device":"probe-1","value":"ERR"}')).toMatchObject({
      kind: 'fault',
      device: 'probe-1',
      says: expect.stringMatching(/^sends what cannot be read: .*ERR/),
    });
  });

  test('a flood is thinned to its newest, and said', () => {
    let now = 10_000;
    const passed: DeviceNews[] = [];
    const thin = thinned(
      (n) => passed.push(n),
      () => now,
    );
    for (let n = 0; n < 5000; n++) {
      now = 10_000 + n / 5;
      thin.take({ kind: 'reading', device: 'probe-1', value: n, unit: '°C' });
    }
    now += 400;
    thin.settle();
    const readings = passed.filter((p) => p.kind === 'reading');
    expect(readings.length).toBeLessThan(8);
    expect(readings.at(-1)).toMatchObject({ value: 4999 });
    expect(passed.filter((p) => p.kind === 'fault')).toEqual([
      { kind: 'fault', device: 'probe-1', says: 'floods: over 40 readings a second' },
    ]);
  });

  test('a device that speaks once a second is passed on as it is', () => {
    let now = 0;
    const passed: DeviceNews[] = [];
    const thin = thinned(
      (n) => passed.push(n),
      () => now,
    );
    for (let n = 1; n <= 10; n++) {
      now = n * 1000;
      thin.take({ kind: 'reading', device: 'scale-1', value: n, unit: 'g' });
      thin.settle();
    }
    expect(passed).toHaveLength(10);
  });
});

describe('a bridge’s stream', () => {
  const bytes = async function* (...chunks: string[]) {
    for (const c of chunks) yield new TextEncoder().encode(c);
  };
  const all = async (...chunks: string[]) => {
    const got: (readonly [string, string])[] = [];
    for await (const one of eventsOf(bytes(...chunks))) got.push(one);
    return got;
  };

  test.each(['\n', '\r\n', '\r'])('is cut at its lines’ ends, whichever they are: %j', async (end) => {
    const text = [
      'event: reading',
      'data: {"device":',
      'data: "probe-1"}',
      '',
      'data: 7',
      '',
      ': breath',
      '',
    ].join(end);
    expect(await all(text)).toEqual([
      ['reading', '{"device":\n"probe-1"}'],
      ['message', '7'],
    ]);
    // However it comes in.
    expect(await all(...text)).toEqual(await all(text));
  });

  test('a line that never ends is given up, not kept', async () => {
    await expect(all('data: ', ...Array.from({ length: 30 }, () => 'x'.repeat(50_000)))).rejects.toThrow();
  });
});
