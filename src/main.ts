import { createServer } from 'node:http';
import next from 'next';
import { direct } from './server/direct';

/** One server process: `start` or `dev`, `-p` port, `-H` host. Everything but the taps and their stream is Next’s. */
const [mode, ...rest] = process.argv.slice(2);
const given = (flag: string): string | undefined => {
  const at = rest.indexOf(flag);
  return at === -1 ? undefined : rest[at + 1];
};
const port = Number(given('-p') ?? 3000);
const hostname = given('-H') ?? '127.0.0.1';

const server = createServer();
// A station's browser uses its connections again; it, not we, decides when it is done with one.
server.keepAliveTimeout = 75_000;
server.on('error', (error) => {
  console.error(error.message);
  process.exit(1);
});
// Whoever read what is printed may be gone: that is no reason to print it again.
for (const out of [process.stdout, process.stderr]) out.on('error', () => {});
// Whoever started it for as long as they run holds its input open.
if (process.env.PANACHE_TIED) process.stdin.resume().on('close', () => process.exit(0));
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => process.exit(0));

const app = next({ dev: mode === 'dev', hostname, port, dir: process.cwd() });

// The port is held before anything is made ready, so that two that start at once find out early; whoever
// asks before then waits.
server.listen(port, hostname);
const ready = app.prepare();
const handle = app.getRequestHandler();
server.on('request', async (request, response) => {
  await ready;
  if (!direct(request, response)) void handle(request, response);
});
server.on('upgrade', async (request, socket, head) => {
  await ready;
  void app.getUpgradeHandler()(request, socket, head);
});
