import '../../src/core/food/load';
import { broken, historyOf, shrunk } from '../histories';

/** Every `step`-th history from `from` to `to`. Says which it tries, what broke, and when it is done. Its own process: each core has one. */
const [from = 0, step = 1, to = 0] = process.argv.slice(2).map(Number);
for (let seed = from; seed < to; seed += step) {
  process.send?.({ trying: seed });
  const history = historyOf(seed);
  const says = broken(history);
  if (!says) continue;
  const events = JSON.stringify(shrunk(history).batch.events).slice(0, 800);
  process.send?.({ broke: `history ${seed}: ${says.slice(0, 200)} ${events}` });
}
process.send?.({ done: true }, () => process.exit(0));
