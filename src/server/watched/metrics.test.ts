import { EventEmitter } from 'node:events';
import { mkdtempSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { turnedAway } from '../guard/turnedAway';
import { log } from '../log';
import { readsFrom, registry, requested, tapped, worked } from './metrics';
import { requestId, watched } from './requests';

/** A figure as Prometheus reads it: its text format, version 0.0.4. */
async function figure(line: string): Promise<number | null> {
  const text = await registry.metrics();
  const found = text.split('\n').find((l) => l.startsWith(`${line} `));
  return found ? Number(found.slice(line.length + 1)) : null;
}
beforeEach(() => registry.resetMetrics());

test('a tap is counted by what became of it, timed, and a new one by how long it was under way and how far its clock is ahead', async () => {
  const told = { station: 'Closer', at: new Date(Date.now() - 40_000).toISOString(), clockMs: -1500 };
  tapped('batch', 201, 0.02, told);
  tapped('batch', 200, 0.02, told);
  tapped('batch', 422, 0.3, told);
  tapped('keep', 503, 4, told);
  expect(await figure('panache_taps_total{of="batch",came="new"}')).toBe(1);
  expect(await figure('panache_taps_total{of="batch",came="known"}')).toBe(1);
  expect(await figure('panache_taps_total{of="batch",came="refused"}')).toBe(1);
  expect(await figure('panache_taps_total{of="keep",came="failed"}')).toBe(1);
  expect(await figure('panache_tap_seconds_bucket{le="0.025",of="batch"}')).toBe(2);
  expect(await figure('panache_tap_seconds_count{of="batch"}')).toBe(3);
  // Only what was written counts as having been under way.
  expect(await figure('panache_tap_delay_seconds_bucket{le="30",of="batch"}')).toBe(0);
  expect(await figure('panache_tap_delay_seconds_bucket{le="120",of="batch"}')).toBe(1);
  expect(await figure('panache_clock_ahead_seconds{station="Closer"}')).toBe(-1.5);
});

test('a station with a new name for each tap does not fill the memory of whoever measures', async () => {
  for (let n = 0; n < 1000; n++)
    tapped('batch', 201, 0.01, { station: `made up ${n}`, at: new Date().toISOString(), clockMs: 0 });
  const text = await registry.metrics();
  expect(text.match(/^panache_clock_ahead_seconds\{/gm)?.length).toBeLessThanOrEqual(200);
});

test('queues, lines to the database, streams and hearing are read as they are when they are asked for', async () => {
  let waiting = 3;
  readsFrom({
    queues: () => ({ quick: { waiting, running: 1 } }),
    pools: () => ({ taps: { total: 3, idle: 1, waiting: 2 } }),
    streams: () => ({ stations: 7 }),
    listening: () => false,
  });
  expect(await figure('panache_queue_jobs{line="quick",state="waiting"}')).toBe(3);
  waiting = 0;
  expect(await figure('panache_queue_jobs{line="quick",state="waiting"}')).toBe(0);
  expect(await figure('panache_pool_connections{use="taps",state="busy"}')).toBe(2);
  expect(await figure('panache_pool_connections{use="taps",state="asking"}')).toBe(2);
  expect(await figure('panache_streams{to="stations"}')).toBe(7);
  expect(await figure('panache_listening')).toBe(0);
  worked('plan', 'done', 0.2);
  expect(await figure('panache_work_seconds_count{job="plan",came="done"}')).toBe(1);
  requested('PURGE', '/api/x', 404, 0.1);
  expect(await figure('panache_request_seconds_count{method="other",kind="api",status="4xx"}')).toBe(1);
});

test('how old the newest backup is, and nothing before there is one', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'panache-metrics-'));
  process.env.PANACHE_BACKUPS = folder;
  try {
    expect(await figure(`panache_backup_age_seconds{folder="${folder}"}`)).toBeNull();
    writeFileSync(join(folder, 'panache-2026-12-01T00-00-00Z.tar'), '');
    const hourAgo = Date.now() / 1000 - 3600;
    utimesSync(join(folder, 'panache-2026-12-01T00-00-00Z.tar'), hourAgo, hourAgo);
    expect(Math.round((await figure(`panache_backup_age_seconds{folder="${folder}"}`)) ?? 0)).toBeCloseTo(
      3600,
      -1,
    );
  } finally {
    delete process.env.PANACHE_BACKUPS;
    rmSync(folder, { recursive: true, force: true });
  }
});

test('the dashboard draws only what is measured', async () => {
  const text = await registry.metrics();
  const known = new Set([...text.matchAll(/^# TYPE (\S+) (\S+)/gm)].map(([, name]) => name));
  const asked = [...readFileSync('deploy/dashboard.json', 'utf8').matchAll(/panache_[a-z0-9_]+/g)].map(
    ([name]) => name.replace(/_bucket$/, ''),
  );
  expect(asked.length).toBeGreaterThan(10);
  expect(asked.filter((name) => !known.has(name))).toEqual([]);
});

describe('what is measured is for a lead, or for whoever has the token', () => {
  const asks = (authorization?: string) =>
    turnedAway(
      { method: 'GET', url: '/api/metrics', headers: authorization ? { authorization } : {} },
      { kind: 'stranger' },
    );
  const TOKEN = 'a-token-of-some-length';
  afterEach(() => delete process.env.PANACHE_METRICS_TOKEN);
  test('which is none where none is set', () => {
    expect(asks()?.refusal?.status).toBe(401);
    expect(asks('Bearer ')?.refusal?.status).toBe(401);
    expect(asks('Bearer undefined')?.refusal?.status).toBe(401);
  });
  test('and opens nothing else', () => {
    process.env.PANACHE_METRICS_TOKEN = TOKEN;
    expect(asks(`Bearer ${TOKEN}`)).toBeNull();
    expect(asks(`Bearer ${TOKEN}x`)?.refusal?.status).toBe(401);
    expect(
      turnedAway(
        { method: 'GET', url: '/api/kitchen', headers: { authorization: `Bearer ${TOKEN}` } },
        { kind: 'stranger' },
      )?.refusal?.status,
    ).toBe(401);
  });
  test('one that is short is none', () => {
    process.env.PANACHE_METRICS_TOKEN = 'short';
    expect(asks('Bearer short')?.refusal?.status).toBe(401);
  });
});

describe('a request', () => {
  const from = (remoteAddress: string, id?: string) =>
    ({ headers: id ? { 'x-request-id': id } : {}, socket: { remoteAddress } }) as unknown as IncomingMessage;
  afterEach(() => delete process.env.TRUST_PROXY);

  test('is known by a name of our own, or as a proxy that is trusted calls it', () => {
    expect(requestId(from('10.0.0.9', 'proxy-says-7'))).toMatch(/^[\w-]{36}$/);
    process.env.TRUST_PROXY = '10.0.0.9';
    expect(requestId(from('10.0.0.9', 'proxy-says-7'))).toBe('proxy-says-7');
    expect(requestId(from('10.0.0.9', 'a line\nof its own'))).toMatch(/^[\w-]{36}$/);
    expect(requestId(from('10.0.0.8', 'proxy-says-7'))).toMatch(/^[\w-]{36}$/);
  });

  test('that changed something, failed or took long is a line of the log with its id; a page that is read is none', () => {
    const lines: [string, object][] = [];
    for (const level of ['debug', 'info', 'warn', 'error'] as const)
      jest.spyOn(log(), level).mockImplementation(((told: object) => {
        lines.push([level, told]);
      }) as never);
    const answer = (method: string, url: string, statusCode: number) => {
      const response = Object.assign(new EventEmitter(), {
        statusCode,
        writableFinished: true,
        getHeader: () => 'the-id',
      }) as unknown as ServerResponse;
      watched({ method, url } as IncomingMessage, response, () => null);
      response.emit('close');
    };
    answer('PUT', '/api/kitchen?x=1', 200);
    answer('GET', '/plan', 200);
    answer('POST', '/api/batches/1/events', 201);
    answer('GET', '/plan', 500);
    answer('PUT', '/api/kitchen', 403);
    answer('GET', '/api/live', 200);
    expect(lines.map(([level]) => level)).toEqual(['info', 'debug', 'debug', 'error', 'debug']);
    expect(lines[0]?.[1]).toMatchObject({
      request: 'the-id',
      method: 'PUT',
      path: '/api/kitchen',
      status: 200,
    });
    jest.restoreAllMocks();
  });
});
