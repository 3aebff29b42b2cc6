import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Counter, collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';

/** What is measured of this process, in the Prometheus text format. Names end in their unit; s are seconds. */
export const registry = new Registry();
collectDefaultMetrics({ register: registry, prefix: 'panache_' });
const registers = [registry];

/** Taps, by what they are of and how they were answered. */
const taps = new Counter({
  name: 'panache_taps_total',
  help: 'Taps of stations, by what they are of (batch or keep) and what became of them (new, known, refused, failed)',
  labelNames: ['of', 'came'],
  registers,
});
const tapSeconds = new Histogram({
  name: 'panache_tap_seconds',
  help: 'From a tap’s arrival to its answer',
  labelNames: ['of'],
  buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 3],
  registers,
});
const tapDelay = new Histogram({
  name: 'panache_tap_delay_seconds',
  help: 'From when a tap happened, by the server’s clock, to its arrival: long where a station was offline',
  labelNames: ['of'],
  buckets: [0.1, 0.5, 1, 5, 30, 120, 600, 3600, 21_600],
  registers,
});
const clockAhead = new Gauge({
  name: 'panache_clock_ahead_seconds',
  help: 'How far a station’s own clock stands ahead of the server’s, at its last tap',
  labelNames: ['station'],
  registers,
});
/** Stations of whom a clock is told: a name made up for each tap would be without end. */
const MOST_STATIONS = 200;
const clocks = new Set<string>();

/** A tap that was answered. `station` as it is in the record; `atMs` when it happened, `clockMs` how far its clock was ahead, if known. */
export function tapped(
  of: 'batch' | 'keep',
  status: number,
  seconds: number,
  told: { readonly station?: unknown; readonly at?: unknown; readonly clockMs?: unknown } = {},
): void {
  const came = status === 201 ? 'new' : status === 200 ? 'known' : status < 500 ? 'refused' : 'failed';
  taps.inc({ of, came });
  tapSeconds.observe({ of }, seconds);
  if (status !== 201) return;
  const at = typeof told.at === 'string' ? Date.parse(told.at) : Number.NaN;
  if (Number.isFinite(at)) tapDelay.observe({ of }, Math.max(0, (Date.now() - at) / 1000));
  if (typeof told.station !== 'string' || typeof told.clockMs !== 'number') return;
  if (clocks.size >= MOST_STATIONS && !clocks.has(told.station)) return;
  clocks.add(told.station);
  clockAhead.set({ station: told.station }, told.clockMs / 1000);
}

const requests = new Histogram({
  name: 'panache_request_seconds',
  help: 'From a request’s arrival to the end of its answer, by method, kind (page, api, file) and class of status',
  labelNames: ['method', 'kind', 'status'],
  buckets: [0.01, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 15],
  registers,
});
const METHODS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'POST', 'PUT', 'DELETE']);
export const requested = (method: string, path: string, status: number, seconds: number): void => {
  const kind = path.startsWith('/api/') ? 'api' : /^\/_next\/|\.\w+$/.test(path) ? 'file' : 'page';
  requests.observe(
    { method: METHODS.has(method) ? method : 'other', kind, status: `${Math.floor(status / 100)}xx` },
    seconds,
  );
};

const workSeconds = new Histogram({
  name: 'panache_work_seconds',
  help: 'What a thread took for a job, waiting for its turn counted, by job and outcome (done, refused, given up)',
  labelNames: ['job', 'came'],
  buckets: [0.01, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 15, 60, 600],
  registers,
});
export const worked = (job: string, came: 'done' | 'refused' | 'given up', seconds: number): void =>
  workSeconds.observe({ job, came }, seconds);

/** A figure read when it is asked for: each label with its value. */
function read(
  name: string,
  help: string,
  labelNames: readonly string[],
  values: () => Iterable<readonly [labels: Readonly<Record<string, string>>, value: number]>,
): void {
  new Gauge({
    name,
    help,
    labelNames,
    registers,
    collect() {
      this.reset();
      for (const [labels, value] of values()) this.set(labels, value);
    },
  });
}

/** Where what is read of a process comes from: each part of it hands it in when it begins. */
export type Sources = {
  readonly queues: () => Readonly<Record<string, { readonly waiting: number; readonly running: number }>>;
  readonly pools: () => Readonly<
    Record<string, { readonly total: number; readonly idle: number; readonly waiting: number }>
  >;
  readonly streams: () => Readonly<Record<string, number>>;
  readonly listening: () => boolean;
};
const NOTHING: Sources = {
  queues: () => ({}),
  pools: () => ({}),
  streams: () => ({}),
  listening: () => true,
};
let sources: Sources = NOTHING;
export const readsFrom = (more: Partial<Sources>): void => {
  sources = { ...sources, ...more };
};

read(
  'panache_queue_jobs',
  'Jobs of each line of threads, waiting and running',
  ['line', 'state'],
  function* () {
    for (const [line, { waiting, running }] of Object.entries(sources.queues())) {
      yield [{ line, state: 'waiting' }, waiting];
      yield [{ line, state: 'running' }, running];
    }
  },
);
read(
  'panache_pool_connections',
  'Lines to the database, by what they are for; asking: who waits for one',
  ['use', 'state'],
  function* () {
    for (const [use, { total, idle, waiting }] of Object.entries(sources.pools())) {
      yield [{ use, state: 'busy' }, total - idle];
      yield [{ use, state: 'idle' }, idle];
      yield [{ use, state: 'asking' }, waiting];
    }
  },
);
read('panache_streams', 'Streams held open, to stations and to programs', ['to'], function* () {
  for (const [to, n] of Object.entries(sources.streams())) yield [{ to }, n];
});
read('panache_listening', '1 while this process hears what others write', [], () => [
  [{}, Number(sources.listening())],
]);
read(
  'panache_backup_age_seconds',
  'Since the newest backup was made; absent before there is one',
  ['folder'],
  function* () {
    const folder = process.env.PANACHE_BACKUPS ?? '';
    if (folder === '' || folder === 'off') return;
    try {
      const times = readdirSync(folder)
        .filter((f) => f.endsWith('.tar'))
        .map((f) => statSync(join(folder, f)).mtimeMs);
      if (times.length > 0) yield [{ folder }, (Date.now() - Math.max(...times)) / 1000];
    } catch {
      // There is no folder yet.
    }
  },
);

/** All of it as text, and what kind of text it is. */
export const metricsText = async (): Promise<{ readonly text: string; readonly type: string }> => ({
  text: await registry.metrics(),
  type: registry.contentType,
});
