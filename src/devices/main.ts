import '../core/food/load';
import { simulatedBench } from './bench';
import { bridge } from './bridge';
import { kitchenAt } from './kitchen';

/** The stand-in for a kitchen's probes, scale and flow timer: PORT to listen on, APP_URL of the application whose pots they stand in. */
const { APP_URL, PORT = '0', HOST = '127.0.0.1' } = process.env;
if (!APP_URL) {
  console.error('APP_URL is not set: the address of the application, such as http://127.0.0.1:3000');
  process.exit(1);
}
// Whoever started it for as long as they run holds its input open.
if (process.env.PANACHE_TIED) process.stdin.resume().on('close', () => process.exit(0));
const bench = simulatedBench();
bridge(bench, kitchenAt(APP_URL, bench)).listen(Number(PORT), HOST);
