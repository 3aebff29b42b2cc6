import '../core/food/load';
import { simulatedBench } from './bench';
import { batchesFrom, bridge } from './bridge';

/** The stand-in for a kitchen's probes, scale and flow timer: PORT to listen on, APP_URL of the application whose pots they stand in. */
const { APP_URL, PORT = '0', HOST = '127.0.0.1' } = process.env;
if (!APP_URL) {
  console.error('APP_URL is not set: the address of the application, such as http://127.0.0.1:3000');
  process.exit(1);
}
// Whoever started it for as long as they run holds its input open.
if (process.env.PANACHE_TIED) process.stdin.resume().on('close', () => process.exit(0));
const AGAIN = 1000;
const bench = simulatedBench();
const refresh = batchesFrom(APP_URL, bench);

const server = bridge(bench, refresh);
server.listen(Number(PORT), HOST);

/** The application may be starting, or gone for a while: what was known stays. */
const keepUp = async () => {
  await refresh().catch(() => {});
  setTimeout(keepUp, AGAIN);
};
void keepUp();
