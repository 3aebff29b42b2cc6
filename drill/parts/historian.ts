import { parentPort, workerData } from 'node:worker_threads';
import '../../src/core/food/load';
import { broken, historyOf, shrunk } from '../histories';

const { from, step, to } = workerData as { from: number; step: number; to: number };
const found: string[] = [];
for (let seed = from; seed < to; seed += step) {
  const history = historyOf(seed);
  const says = broken(history);
  if (says)
    found.push(
      `history ${seed}: ${says.slice(0, 200)} ${JSON.stringify(shrunk(history).batch.events).slice(0, 800)}`,
    );
}
parentPort?.postMessage(found);
