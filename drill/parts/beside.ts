import { randomUUID } from 'node:crypto';
import { request } from 'node:http';
import { connect, type Socket } from 'node:net';
import pg from 'pg';
import {
  type Answer,
  all,
  ask,
  pause,
  post,
  type Row,
  startBatch,
  statusesOf,
  tapper,
  wordsOf,
} from '../kit';

/** How long a tap may wait beside any of these, 99 in 100, ms. */
const P99 = 250;

/** In the short form, on a machine nobody knows, this many times as long. */
const SHORT = 4;

/** Where those that take too much come from: another address of this machine than the station’s. */
const ELSEWHERE = '127.0.0.2';

/**
 * Things kept over so many days, three a day with twenty readings each; and one with so many readings. Written by
 * the owner, as years leave it. Returns the one.
 */
async function years(databaseUrl: string, days: number, readings: number): Promise<string> {
  const db = new pg.Pool({ connectionString: databaseUrl, max: 1 });
  const one = randomUUID();
  try {
    const { rows } = await db.query<{ id: string }>('SELECT id FROM kitchen');
    const kitchen = rows[0]?.id ?? '';
    await db.query(
      `WITH things AS (
         INSERT INTO lot (id, kitchen_id, opened_at, stage, over_at)
         SELECT gen_random_uuid(), $1, now() - d * interval '8 hours', 'over', now() FROM generate_series(1, $2::int * 3) d
         RETURNING id, opened_at),
       first AS (
         INSERT INTO keep_event (id, kitchen_id, lot_id, at, received_at, station, body)
         SELECT gen_random_uuid(), $1, id, opened_at, opened_at, 'Closer', jsonb_build_object('kind', 'put by', 'what', 'soup', 'name', 'Leek',
           'madeAt', to_char(opened_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'), 'ml', 8000, 'allergens', '[]'::jsonb,
           'container', jsonb_build_object('kind', 'pot', 'vessel', 'middle-28'), 'place', 'blast') FROM things)
       INSERT INTO keep_event (id, kitchen_id, lot_id, at, received_at, station, body)
       SELECT gen_random_uuid(), $1, id, opened_at + n * interval '15 minutes', opened_at + n * interval '15 minutes', 'Closer',
         jsonb_build_object('kind', 'temperature', 'celsius', round((4 + 76 * exp(-n / 4.0))::numeric, 1)) FROM things, generate_series(1, 20) n`,
      [kitchen, days],
    );
    await db.query(
      `INSERT INTO lot (id, kitchen_id, opened_at, stage) VALUES ($1, $2, now() - interval '20 days', 'hot')`,
      [one, kitchen],
    );
    await db.query(
      `INSERT INTO keep_event (id, kitchen_id, lot_id, at, received_at, station, body)
       SELECT gen_random_uuid(), $2, $1, t, t, 'Closer', CASE WHEN n = 0 THEN jsonb_build_object('kind', 'put by', 'what', 'soup', 'name', 'Long',
           'madeAt', to_char(t AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'), 'ml', 8000, 'allergens', '[]'::jsonb,
           'container', jsonb_build_object('kind', 'pot', 'vessel', 'deep-42'), 'place', 'bath')
         ELSE jsonb_build_object('kind', 'temperature', 'celsius', 50 + n % 40) END
       FROM (SELECT n, now() - interval '20 days' + n * interval '20 days' / $3::int AS t FROM generate_series(0, $3::int) n) l`,
      [one, kitchen, readings],
    );
  } finally {
    await db.end();
  }
  return one;
}

const day = (ago: number): string => new Date(Date.now() - ago * 86_400_000).toISOString().slice(0, 10);
const quarter = (n: number): string => `/api/record?from=${day(92 * n + 91)}&to=${day(92 * n)}`;

/** Something put by, for lines to go to. */
async function putBy(address: string): Promise<string> {
  const lot = randomUUID();
  const at = new Date().toISOString();
  await post(address, `/api/keep/${lot}/events`, {
    id: randomUUID(),
    at,
    station: 'Drill',
    body: {
      kind: 'put by',
      what: 'stock',
      name: 'Drill',
      madeAt: at,
      ml: 2000,
      allergens: [],
      container: { kind: 'pans', pan: 'tub-2', count: 2 },
      place: 'worktop',
    },
  });
  return lot;
}

/** An archive of the kitchen as it is, with as many lines more, in a batch of its own for each thousand. */
async function archiveOf(address: string, lines: number): Promise<string> {
  const archive = JSON.parse(await (await fetch(`${address}/api/archive`)).text());
  const [like] = archive.batches as { events: object[]; startedAt: string }[];
  if (!like) throw new Error('the archive has no batch');
  const at = new Date(Date.now() - 3_600_000).toISOString();
  for (let n = 0; n < lines / 1000; n++)
    archive.batches.push({
      ...like,
      id: randomUUID(),
      startedAt: at,
      receivedAt: at,
      serveAt: null,
      events: Array.from({ length: 1000 }, (_, k) => ({
        id: randomUUID(),
        at,
        receivedAt: at,
        station: 'Elsewhere',
        body: k === 999 ? { kind: 'cleared' } : { kind: 'note', text: `line ${n} ${k}` },
      })),
    });
  return JSON.stringify(archive);
}

/** A cycle of four weeks, each day the service of tomorrow. */
async function fullCycle(address: string): Promise<string> {
  const tomorrow = day(-1);
  // The Monday of this week: a cycle begins on one.
  const monday = day((new Date().getUTCDay() + 6) % 7);
  const opened = await (await fetch(`${address}/api/services?day=${tomorrow}`)).json();
  const near = opened.near as { day: string }[];
  const ids: string[] = [];
  for (const { day: on } of near.length > 0 ? near : [{ day: tomorrow }]) {
    const found = await (await fetch(`${address}/api/services?day=${on}`)).json();
    ids.push(...found.services.map((s: { service: { id: string } }) => s.service.id));
  }
  const weeks = Array.from({ length: 4 }, () =>
    Array.from({ length: 7 }, (_, d) => ids.slice(d % ids.length).slice(0, 1)),
  );
  const kept = await fetch(`${address}/api/services/cycle`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      cycle: { ...(opened.cycle ?? {}), format: 'panache.cycle/1', from: monday, weeks },
      base: opened.cycleRevision,
      by: '',
    }),
  });
  if (!kept.ok) throw new Error(`no cycle to draw: ${(await kept.text()).slice(0, 300)}`);
  return tomorrow;
}

/** Streams of one address, opened and left open; how many were told and how many refused. */
async function streams(address: string, n: number): Promise<{ answers: Answer[]; end: () => void }> {
  const { hostname, port } = new URL(address);
  const open: { destroy: () => void }[] = [];
  const answers = await all(
    n,
    () =>
      new Promise<Answer>((resolve) => {
        const sent = request(
          { hostname, port, path: '/api/live', localAddress: ELSEWHERE, agent: false },
          (response) => {
            open.push(response);
            response.on('error', () => {});
            response.resume();
            resolve({ status: response.statusCode ?? 0, text: '' });
          },
        );
        sent.on('error', () => resolve({ status: 0, text: '' }));
        sent.end();
      }),
  );
  return {
    answers,
    end: () => {
      for (const o of open) o.destroy();
    },
  };
}

type Tried = (
  what: string,
  attack: () => Promise<readonly Answer[]>,
  allowed: readonly number[],
) => Promise<void>;

/** An archive in and out, a cycle of menus, plans without end. */
async function longer(address: string, tried: Tried): Promise<void> {
  await tried('20 readings of all that is kept', () => all(20, () => ask(address, '/api/keep')), [200, 503]);
  const text = await archiveOf(address, 100_000);
  await tried(
    'an archive of 100,000 lines taken in',
    async () => [
      await ask(address, '/api/archive', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: text,
        timeout: 600_000,
      }),
    ],
    [200, 201],
  );
  await tried(
    '5 archives read at once',
    () => all(5, () => ask(address, '/api/archive', { timeout: 120_000 })),
    [200, 503],
  );
  const first = await fullCycle(address);
  await tried(
    'a full cycle of menus as a calendar',
    async () => [await ask(address, `/api/services/cycle?day=${first}`, { timeout: 120_000 })],
    [200],
  );
  await tried(
    '200 plans at once',
    () => all(200, (n) => ask(address, `/api/plan/export?as=json&litres=${10 + n / 10}`)),
    [200, 503],
  );
}

/** What others ask for while a station taps: how long its taps wait, and whether a new station still gets in. */
export async function beside(address: string, databaseUrl: string, large: boolean): Promise<readonly Row[]> {
  const one = await years(databaseUrl, large ? 1100 : 92, large ? 20_000 : 4000);
  const batch = await startBatch(address);
  const station = tapper(address, batch, 25);
  await pause(1500);
  const rows: Row[] = [];
  const tried: Tried = async (what, attack, allowed) => {
    station.reset();
    const from = performance.now();
    const answers = await attack();
    const took = Math.round(performance.now() - from);
    await pause(150);
    const report = await station.report();
    console.log(`  … ${what}: ${took} ms, p99 ${report.p99} ms`);
    const wrong = answers.filter((a) => !allowed.includes(a.status));
    rows.push({
      tried: `taps beside ${what}`,
      held:
        wrong.length === 0 &&
        report.p99 < P99 * (large ? 1 : SHORT) &&
        Object.keys(report.wrong).length === 0,
      figures: `${statusesOf(answers)} in ${took} ms; ${wordsOf(report)}${wrong[0] ? `; e.g. ${wrong[0].text.slice(0, 160)}` : ''}`,
    });
  };
  const quarters = large ? 12 : 1;
  await tried(`a record of ${quarters} quarters, one after the other`, async () => {
    const answers: Answer[] = [];
    for (let n = 0; n < quarters; n++) answers.push(await ask(address, quarter(n)));
    return answers;
  }, [200]);
  await tried(
    `a quarter’s record, ${large ? 40 : 10} at once`,
    () => all(large ? 40 : 10, (n) => ask(address, quarter(n % quarters))),
    [200, 503],
  );
  await tried(
    `a record of ${large ? '20,000' : '4,000'} lines of one thing, and its page`,
    async () => [
      await ask(address, `/api/record?lot=${one}`),
      await ask(address, `/record/${one}`),
      await ask(address, '/api/keep'),
    ],
    [200],
  );
  const lots = await all(large ? 60 : 20, () => putBy(address));
  await tried(
    `${lots.length} lines of what is kept at once`,
    () =>
      all(lots.length, (n) =>
        post(address, `/api/keep/${lots[n]}/events`, {
          id: randomUUID(),
          at: new Date().toISOString(),
          station: 'Drill',
          body: { kind: 'temperature', celsius: 70 },
        }),
      ),
    [201],
  );
  // The rest takes minutes: of the long form.
  if (large) await longer(address, tried);

  const many = large ? 2000 : 300;
  let told: Answer[] = [];
  await tried(`${many} streams of one address`, async () => {
    const { answers, end } = await streams(address, many);
    told = answers;
    const mine = await all(5, () => ask(address, '/api/health'));
    end();
    return mine;
  }, [200]);
  rows.push({
    tried: 'one address does not take the places of all',
    held: told.filter((a) => a.status === 200).length <= 120 && told.some((a) => a.status === 200),
    figures: statusesOf(told),
  });
  const { hostname, port } = new URL(address);
  const idle: Socket[] = [];
  await tried(`${large ? 4000 : 1000} idle lines of one address, and a new station`, async () => {
    for (let n = 0; n < (large ? 4000 : 1000); n++) {
      const socket = connect({ host: hostname, port: Number(port), localAddress: ELSEWHERE });
      socket.on('error', () => {});
      idle.push(socket);
      if (n % 200 === 0) await pause(20);
    }
    await pause(500);
    return all(10, () => ask(address, '/api/rail'));
  }, [200]);
  for (const socket of idle) socket.destroy();
  const head = await ask(address, '/api/live', { method: 'HEAD', timeout: 5000 });
  rows.push({ tried: 'HEAD of the stream ends', held: head.status === 200, figures: `${head.status}` });
  await station.stop();
  return rows;
}
