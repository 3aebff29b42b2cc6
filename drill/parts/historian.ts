import '../../src/core/food/load';
import { broken, historyOf, shrunk } from '../histories';

/**
 * Its share, `which` of `shares`, of the histories from `from` below `to`, four at a time: every fourth is gone
 * through tap by tap. Says which it tries, what broke, and when it is done. Its own process: each core has one.
 */
const [which = 0, shares = 1, from = 0, to = 0] = process.argv.slice(2).map(Number);
for (let seed = from; seed < to; seed++) {
  if (Math.floor(seed / 4) % shares !== which) continue;
  process.send?.({ trying: seed });
  const history = historyOf(seed);
  const says = broken(history);
  if (!says) continue;
  const events = JSON.stringify(shrunk(history).batch.events).slice(0, 800);
  process.send?.({ broke: `history ${seed}: ${says.slice(0, 200)} ${events}` });
}
process.send?.({ done: true }, () => process.exit(0));
