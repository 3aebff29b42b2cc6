import { readFileSync, readlinkSync } from 'node:fs';

/** ms of one tick of the processor as the system counts it: a hundred a second, on every Linux in use. */
const TICK = 10;

/** ms a thread of this process has had of the processor, by the system’s number of it; null where that is not told. */
function threadMs(thread: string): number | null {
  try {
    const stat = readFileSync(`/proc/self/task/${thread}/stat`, 'utf8');
    // Behind the name, which may have blanks: proc(5), utime and stime are the 12th and 13th from there.
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
    return (Number(fields[11]) + Number(fields[12])) * TICK;
  } catch {
    return null;
  }
}

/**
 * What a job has had of the processor, told by its thread as it begins and read by whoever waits for it. Handed on as
 * its `shared` memory.
 */
export class ThreadTime {
  /** The thread’s number, 0 before it begins; ms it had had by then. */
  private readonly cells: Float64Array;

  constructor(readonly shared: SharedArrayBuffer = new SharedArrayBuffer(16)) {
    this.cells = new Float64Array(shared);
  }

  /** Said by the thread itself, as the job begins. Where the system has no such numbers nothing is said. */
  begins(): void {
    try {
      const thread = readlinkSync('/proc/thread-self').split('/').at(-1) ?? '';
      this.cells[1] = threadMs(thread) ?? 0;
      this.cells[0] = Number(thread);
    } catch {
      // Then it is told by what the whole process had.
    }
  }

  /** ms since it began; null before, or where that is not told. */
  get ms(): number | null {
    const [thread = 0, before = 0] = this.cells;
    const all = thread > 0 ? threadMs(String(thread)) : null;
    return all === null ? null : Math.max(0, all - before);
  }
}
