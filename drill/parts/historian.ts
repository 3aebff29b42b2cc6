import '../../src/core/food/load';
import { broken, historyOf, shrunk } from '../histories';

/** Every `step`-th history from `from` to `to`; sends back how far it is each thousand, and at its end what broke. Its own process: each core has one. */
const [from = 0, step = 1, to = 0] = process.argv.slice(2).map(Number);
const found: string[] = [];
for (let seed = from; seed < to; seed += step) {
  const history = historyOf(seed);
  const says = broken(history);
  if (Math.floor(seed / step) % 1000 === 999) process.send?.({ tried: seed + 1, broke: found.length });
  if (says) {
    found.push(
      `history ${seed}: ${says.slice(0, 200)} ${JSON.stringify(shrunk(history).batch.events).slice(0, 800)}`,
    );
    console.log(`  ${found.at(-1)}`);
  }
}
process.send?.({ found }, () => process.exit(0));
