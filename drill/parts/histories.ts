import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import type { Row } from '../kit';

/** `count` made-up histories, asked all a station asks, on every core. */
export async function histories(count: number): Promise<readonly Row[]> {
  const threads = availableParallelism();
  const from = performance.now();
  const found = await Promise.all(
    Array.from(
      { length: threads },
      (_, n) =>
        new Promise<readonly string[]>((resolve, reject) => {
          const worker = new Worker(new URL('./historian.ts', import.meta.url), {
            workerData: { from: n, step: threads, to: count },
            execArgv: ['--import', 'tsx'],
          });
          worker.on('message', resolve);
          worker.on('error', reject);
        }),
    ),
  );
  const broken = found.flat();
  for (const says of broken.slice(0, 5)) console.log(`  ${says}`);
  return [
    {
      tried: `${count} made-up histories of ten soups, in and out of order`,
      held: broken.length === 0,
      figures: `${broken.length} broke the model; ${Math.round((performance.now() - from) / 1000)} s`,
    },
  ];
}
