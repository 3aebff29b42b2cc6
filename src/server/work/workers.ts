import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { message } from '../../core/message/message';
import { noted } from '../data/database';
import { askedKitchen } from '../guard/asking';
import { log, said } from '../log';
import { busy, cannot, isRefusal, Refusal } from '../refusal';
import { readsFrom, worked } from '../watched/metrics';
import { allow, clocksOf } from './allowance';
import type { JobName, JobOutcome } from './jobs';
import { ThreadTime } from './threadTime';

/** Threads that share a queue: what a cook waits for, what a file takes, the rail, and the record. */
const LINES = {
  quick: { threads: Math.max(1, Math.min(4, availableParallelism() - 1)), waiting: 40, memoryMb: 512 },
  long: { threads: 1, waiting: 40, memoryMb: 768 },
  rail: { threads: 1, waiting: 4, memoryMb: 512 },
  /** The record read, or followed a stretch at a time. */
  record: { threads: 1, waiting: 40, memoryMb: 768 },
  /** The whole kitchen put together, and a cycle of menus: one at a time, and few wait for it. */
  archive: { threads: 1, waiting: 4, memoryMb: 768 },
  /** What was finished logged and learned from: nobody waits for it. */
  learn: { threads: 1, waiting: 2, memoryMb: 768 },
} as const;

type Line = keyof typeof LINES;

/** Where each job stands in line, and what it may take of the processor, ms ({@link allow}). */
const BUDGET: { readonly [J in JobName]: { readonly line: Line; readonly ms: number } } = {
  plan: { line: 'quick', ms: 8000 },
  begun: { line: 'quick', ms: 2000 },
  planned: { line: 'quick', ms: 8000 },
  foresee: { line: 'quick', ms: 8000 },
  draft: { line: 'quick', ms: 8000 },
  sheet: { line: 'quick', ms: 8000 },
  asJson: { line: 'quick', ms: 8000 },
  asCsv: { line: 'quick', ms: 8000 },
  asPdf: { line: 'long', ms: 15_000 },
  lineSpread: { line: 'long', ms: 15_000 },
  open: { line: 'long', ms: 15_000 },
  landings: { line: 'long', ms: 30_000 },
  drawn: { line: 'long', ms: 30_000 },
  cycleIcs: { line: 'archive', ms: 60_000 },
  openService: { line: 'long', ms: 15_000 },
  labels: { line: 'long', ms: 15_000 },
  recordPage: { line: 'record', ms: 30_000 },
  lotRecord: { line: 'record', ms: 30_000 },
  recordFile: { line: 'record', ms: 60_000 },
  keepOpen: { line: 'record', ms: 15_000 },
  recordKeep: { line: 'record', ms: 15_000 },
  take: { line: 'long', ms: 600_000 },
  archiveFile: { line: 'archive', ms: 600_000 },
  notebook: { line: 'long', ms: 300_000 },
  logFile: { line: 'record', ms: 60_000 },
  weekPdf: { line: 'record', ms: 30_000 },
  learn: { line: 'learn', ms: 900_000 },
  verify: { line: 'record', ms: 900_000 },
  rail: { line: 'rail', ms: 30_000 },
  railMoved: { line: 'rail', ms: 30_000 },
};

export type Work = (name: JobName, input: unknown) => Promise<unknown>;

/** One set of threads a process; the bundled pages find it here. */
export const holder = globalThis as typeof globalThis & { panacheWork?: Work };

const tooMuch = (): Refusal =>
  cannot(
    'body',
    message('takes too long or too much memory to work out'),
    message('fewer or smaller things at once'),
  );

/**
 * ms after the start at which a line's first thread is made, if nothing has asked for one by then: those that
 * begin at once hold each other up.
 */
const AHEAD: { readonly [L in Line]?: number } = {
  rail: 0,
  quick: 1200,
  long: 2400,
};

/** Whether this process runs what is written rather than what was built of it. */
const WRITTEN = import.meta.url.endsWith('.ts');

const poolOf = (line: Line): Piscina => {
  const { threads, waiting, memoryMb } = LINES[line];
  const pool = new Piscina({
    filename: new URL(WRITTEN ? './jobs.ts' : './jobs.mjs', import.meta.url).href,
    execArgv: WRITTEN ? ['--import', 'tsx'] : [],
    // What is seldom asked for has no thread until it is.
    minThreads: AHEAD[line] === undefined ? 0 : 1,
    maxThreads: threads,
    maxQueue: waiting,
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: memoryMb },
  });
  pool.on('error', (error: unknown) => log().warn({ error: said(error) }, 'a working thread ended'));
  return pool;
};

/** Threads that began less than this ago, ms, may still be reading what they work by; then a job has so much longer, ms. */
const BEGINS = 30_000;
const GRACE = 20_000;

/**
 * Starts the threads that work for this process. What they are given waits its turn, up to a limit; what outlasts
 * its time or memory is ended, alone.
 */
export function startWorkers(): void {
  const pools: Partial<Record<Line, Piscina>> = {};
  const born: Partial<Record<Line, number>> = {};
  const poolFor = (line: Line): Piscina => {
    born[line] ??= performance.now();
    pools[line] ??= poolOf(line);
    return pools[line];
  };
  /** ms more for what comes while its threads begin: the first plan of a server that was just started is not too much. */
  const grace = (line: Line): number =>
    performance.now() - (born[line] ?? performance.now()) < BEGINS ? GRACE : 0;
  for (const line of Object.keys(AHEAD) as Line[]) setTimeout(poolFor, AHEAD[line], line);
  /** Jobs given to each line and not yet answered. */
  const under: Record<Line, number> = { quick: 0, long: 0, rail: 0, record: 0, archive: 0, learn: 0 };
  readsFrom({
    queues: () =>
      Object.fromEntries(
        (Object.keys(pools) as Line[]).map((line) => {
          const waiting = pools[line]?.queueSize ?? 0;
          return [line, { waiting, running: Math.max(0, under[line] - waiting) }];
        }),
      ),
  });
  holder.panacheWork = async (name, input) => {
    const from = performance.now();
    let came: Parameters<typeof worked>[1] = 'given up';
    try {
      const value = await done(name, input);
      came = 'done';
      return value;
    } catch (error) {
      if (isRefusal(error) && error.status !== 503) came = 'refused';
      throw error;
    } finally {
      worked(name, came, (performance.now() - from) / 1000);
    }
  };
  const done: Work = async (name, input) => {
    const { line, ms } = BUDGET[name];
    // Its time runs while it waits, too: what runs out behind others did not ask for too much itself.
    const waits = under[line] >= LINES[line].threads;
    under[line]++;
    const waited = new AbortController();
    const pool = poolFor(line);
    let given = true;
    const thread = new ThreadTime();
    const over = (starved: boolean) => {
      given = !starved;
      waited.abort();
    };
    const answered = allow(ms + grace(line), over, clocksOf(thread));
    let outcome: JobOutcome;
    try {
      outcome = await pool.run(
        { name, input, kitchen: askedKitchen(), thread: thread.shared },
        { signal: waited.signal },
      );
    } catch (error) {
      const { code, name: kind } = error as { code?: string; name?: string };
      if (/queue/i.test(said(error))) throw busy(message('too much is being worked out already'));
      if (
        kind === 'AbortError' ||
        code === 'ERR_WORKER_OUT_OF_MEMORY' ||
        /terminated|memory/i.test(said(error))
      )
        throw waits || !given
          ? busy(message('others are being worked out, and this had to wait too long'))
          : tooMuch();
      throw error;
    } finally {
      answered();
      under[line]--;
    }
    if (outcome.ok) return outcome.value;
    if (outcome.status !== 'away') throw new Refusal(outcome.status, outcome.problems, outcome.show);
    noted(Object.assign(new Error(outcome.says), { code: 'ECONNRESET' }));
    throw busy(message('the kitchen’s database is away or too slow'));
  };
}
