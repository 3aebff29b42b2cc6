import { fork } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import type { Row } from '../kit';

type Says = { readonly found: readonly string[] } | { readonly tried: number; readonly broke: number };

/** `count` made-up histories, asked all a station asks, on every core. */
export async function histories(count: number): Promise<readonly Row[]> {
  const processes = availableParallelism();
  const from = performance.now();
  const found = await Promise.all(
    Array.from(
      { length: processes },
      (_, n) =>
        new Promise<readonly string[]>((resolve, reject) => {
          const args = [n, processes, count].map(String);
          const child = fork(join(import.meta.dirname, 'historian.ts'), args, {
            execArgv: ['--import', 'tsx'],
          });
          child.on('message', (says: Says) => {
            if ('found' in says) resolve(says.found);
            else console.log(`  histories up to ${says.tried} of ${count}: ${says.broke} broke`);
          });
          child.on('exit', (code) => code !== 0 && reject(new Error(`a historian ended with ${code}`)));
        }),
    ),
  );
  const broken = found.flat();
  return [
    {
      tried: `${count} made-up histories of ten soups, in and out of order`,
      held: broken.length === 0,
      figures: `${broken.length} broke the model; ${Math.round((performance.now() - from) / 1000)} s`,
    },
  ];
}
