/** A job may take so many times as long by the clock as of the processor, where others have the processor … */
const TIMES = 5;
/** … and never so much longer, ms. */
const LONGER = 60_000;
/** ms between two looks at a job that is over its time by the clock alone. */
const EVERY = 100;

type Clocks = {
  /** ms by the clock. */
  readonly now: () => number;
  /** ms this process, all threads of it, has had of the processor. */
  readonly had: () => number;
};

const REAL: Clocks = {
  now: () => performance.now(),
  had: () => {
    const { user, system } = process.cpuUsage();
    return (user + system) / 1000;
  },
};

/**
 * Calls `over` once, when a job that begins now has had its time: `ms` of the processor, as far as this process was
 * given it, and not of the clock alone. A machine that has much else to do is not taken for a job that asks for too
 * much. By the clock it ends after five times as long in any case, or a minute more; `starved` says that it was not
 * given its time.
 * @param ms What the job may take, ms, more than 0.
 * @returns What ends the looking, once the job is answered.
 */
export function allow(ms: number, over: (starved: boolean) => void, { now, had }: Clocks = REAL): () => void {
  const [began, before] = [now(), had()];
  const latest = Math.min(TIMES * ms, ms + LONGER);
  let timer: NodeJS.Timeout;
  const look = (after: number): void => {
    timer = setTimeout(() => {
      const [lacks, left] = [ms - (had() - before), latest - (now() - began)];
      if (lacks <= 0) over(false);
      else if (left <= 0) over(true);
      else look(Math.max(EVERY, Math.min(lacks, left)));
    }, after);
  };
  look(ms);
  return () => clearTimeout(timer);
}
