import { type ChildProcess, fork } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import type { Row } from '../kit';

type Says = { readonly trying: number } | { readonly broke: string } | { readonly done: true };

/** A history that takes longer than this, ms, has no end: the slowest take two seconds. */
const HANGS_AFTER = 60_000;

/** A line is said every so many histories. */
const SAYS_EVERY = 1000;

/** A share of the histories below `count`, each in turn; past one that hangs it goes on in a new process. */
function historian(
  which: number,
  shares: number,
  count: number,
  fell: (says: string) => void,
): Promise<void> {
  return new Promise((resolve, reject) => {
    let child: ChildProcess;
    let trying = 0;
    let timer: NodeJS.Timeout;
    const watch = () => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        fell(`history ${trying} has no end`);
        child.removeAllListeners();
        child.kill('SIGKILL');
        begin(trying + 1);
      }, HANGS_AFTER);
    };
    const begin = (at: number) => {
      child = fork(join(import.meta.dirname, 'historian.ts'), [which, shares, at, count].map(String), {
        execArgv: ['--import', 'tsx'],
      });
      watch();
      child.on('message', (says: Says) => {
        watch();
        if ('broke' in says) fell(says.broke);
        else if ('done' in says) {
          clearTimeout(timer);
          resolve();
        } else {
          trying = says.trying;
          if (trying % SAYS_EVERY === 0) console.log(`  at history ${trying} of ${count}`);
        }
      });
      child.on('exit', (code) => {
        if (code === 0) return;
        clearTimeout(timer);
        reject(new Error(`a historian ended with ${code} at history ${trying}`));
      });
    };
    begin(0);
  });
}

/** `count` made-up histories, asked all a station asks, on every core. */
export async function histories(count: number): Promise<readonly Row[]> {
  const processes = availableParallelism();
  const from = performance.now();
  let broken = 0;
  const fell = (says: string) => {
    broken++;
    console.log(`  ${says}`);
  };
  await Promise.all(Array.from({ length: processes }, (_, n) => historian(n, processes, count, fell)));
  return [
    {
      tried: `${count} made-up histories of ten soups, in and out of order`,
      held: broken === 0,
      figures: `${broken} broke the model; ${Math.round((performance.now() - from) / 1000)} s`,
    },
  ];
}
