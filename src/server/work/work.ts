import type { Paper } from '../exports/paper';
import type { JobName, Jobs } from './jobs';
import type { Work } from './workers';

export type { Paper };

const holder = globalThis as typeof globalThis & { panacheWork?: Work };

type Input<J extends JobName> = Parameters<Jobs[J]> extends [infer I] ? [input: I] : [];

/**
 * Has a thread do a job, so that taps go on meanwhile. Refuses as the job does; 503 when too many wait, 422
 * when it takes more time or memory than its like may.
 */
export function work<J extends JobName>(
  name: J,
  ...[input]: Input<J>
): Promise<Awaited<ReturnType<Jobs[J]>>> {
  const { panacheWork } = holder;
  if (!panacheWork) throw new Error('no threads work for this process: it was not started by main.ts');
  return panacheWork(name, input) as Promise<Awaited<ReturnType<Jobs[J]>>>;
}
