import type { ThreadTime } from './threadTime';

/** A job may take so many times as long by the clock as of the processor, where others have the processor … */
const TIMES = 5;
/** … and never so much longer, ms. */
const LONGER = 60_000;
/** ms between two looks at a job that is over its time by the clock alone. */
const EVERY = 100;

type Clocks = {
  /** ms by the clock. */
  readonly now: () => number;
  /** ms the job has had of the processor since it was given. */
  readonly had: () => number;
};

/** As it goes here: what its thread had once it began, before that what the process had, all threads of it. */
export function clocksOf(thread: ThreadTime): Clocks {
  const whole = () => {
    const { user, system } = process.cpuUsage();
    return (user + system) / 1000;
  };
  const before = whole();
  return { now: () => performance.now(), had: () => thread.ms ?? whole() - before };
}

/**
 * Calls `over` once, when a job that begins now has had its time: `ms` of the processor, and not of the clock. A machine
 * that has much else to do is not taken for a job that asks for too much. By the clock it ends after five times as
 * long in any case, or a minute more; `starved` says that it was not given its time.
 * @param ms What the job may take, ms, more than 0.
 * @returns What ends the looking, once the job is answered.
 */
export function allow(ms: number, over: (starved: boolean) => void, { now, had }: Clocks): () => void {
  const began = now();
  const latest = Math.min(TIMES * ms, ms + LONGER);
  let timer: NodeJS.Timeout;
  const look = (after: number): void => {
    timer = setTimeout(() => {
      const [lacks, left] = [ms - had(), latest - (now() - began)];
      if (lacks <= 0) over(false);
      else if (left <= 0) over(true);
      else look(Math.max(EVERY, Math.min(lacks, left)));
    }, after);
  };
  look(ms);
  return () => clearTimeout(timer);
}
