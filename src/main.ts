import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { createServer as createFront } from 'node:net';
import next from 'next';
import { message } from './core/message/message';
import { sweepUploads } from './server/archive/receive';
import { awayWithin, isAway, noted } from './server/data/database';
import { direct, refuse } from './server/direct';
import { type Asking, as } from './server/guard/asking';
import { hostsOf, refusedAtTheDoor } from './server/guard/door';
import { dropUnreadable, guarded } from './server/guard/headers';
import { admit } from './server/guard/network/address';
import { serving } from './server/guard/network/served';
import { bySpeech, createSecured, tlsFiles, towardsTls } from './server/guard/network/tls';
import { inTurn } from './server/guard/share';
import { turnedAway } from './server/guard/turnedAway';
import { askingOf } from './server/guard/who';
import { keepLearning } from './server/live/learning';
import { keepRail } from './server/live/theRail';
import { log } from './server/log';
import { busy } from './server/refusal';
import { requestId, watched } from './server/watched/requests';
import { startWorkers } from './server/work/workers';

/** One server process: `start` or `dev`, `-p` port, `-H` host. Everything but the taps and their stream is Next’s. */
const [mode, ...rest] = process.argv.slice(2);
const given = (flag: string): string | undefined => {
  const at = rest.indexOf(flag);
  return at === -1 ? undefined : rest[at + 1];
};
const dev = mode === 'dev';
const port = Number(given('-p') ?? 3000);
const hostname = given('-H') ?? '127.0.0.1';
const hosts = hostsOf(hostname, process.env.PANACHE_HOSTS);
/** Where it is served over TLS: its certificate and key, made anew in place before they run out. */
const tls = tlsFiles();
serving({ host: hostname, port, secure: tls !== null });

const server = createServer();
// A station's browser uses its connections again; it, not we, decides when it is done with one.
server.keepAliveTimeout = 75_000;
// Whoever dribbles a request does not hold a connection for ever.
server.headersTimeout = 10_000;
server.requestTimeout = 120_000;

/** The same over TLS, where there is a certificate. */
const secured = tls && createSecured(tls, server);

// Lines are counted before anything is made of them: a flood of them is let go in less time than it takes to dial.
const front = createFront({ allowHalfOpen: true, noDelay: true }, (socket) => {
  if (!admit(socket)) return;
  if (secured) bySpeech(socket, { tls: secured, plain: server });
  else server.emit('connection', socket);
});
front.maxConnections = 4000;
// What watches over slow requests begins with this.
front.on('listening', () => {
  server.emit('listening');
  secured?.emit('listening');
});
front.on('error', (error) => {
  console.error(error.message);
  process.exit(1);
});
// Whoever read what is printed may be gone: that is no reason to print it again.
for (const out of [process.stdout, process.stderr]) out.on('error', () => {});
// Whoever started it for as long as they run holds its input open.
if (process.env.PANACHE_TIED) process.stdin.resume().on('close', () => process.exit(0));
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => process.exit(0));

const logged = (error: unknown): void => {
  noted(error);
  if (!isAway(error)) log().error({ err: error }, 'failed');
};
// One promise nobody waited for must not end the server of a whole kitchen.
process.on('unhandledRejection', logged);
if (!dev)
  console.error = (...args: unknown[]) => logged(args.find((a) => a instanceof Error) ?? args.join(' '));

const app = next({ dev, hostname, port, dir: process.cwd() });

// The port is held before anything is made ready, so that two that start at once find out early; whoever
// asks before then waits.
front.listen(port, hostname);
// The threads begin when the pages are ready: whoever starts it again after a fall waits for those first.
const ready = app.prepare().then(() => {
  startWorkers();
  // What a run before this was sent and did not come to do.
  void sweepUploads().catch(logged);
  keepRail();
  keepLearning();
  log().info({ mode, hostname, port }, 'serving');
});
const handle = app.getRequestHandler();

/** ms after the database was last found away in which a page that failed is laid to that. */
const LAID_TO_IT = 15_000;

server.on('request', async (request, response) => {
  guarded(request, response, dev);
  const id = requestId(request);
  response.setHeader('X-Request-Id', id);
  let asked: Asking | null = null;
  watched(request, response, () => asked);
  dropUnreadable(request);
  const refused = refusedAtTheDoor(request, hosts);
  if (refused) return refuse(request, response, refused);
  const secure = tls && towardsTls(request);
  if (secure) return void response.writeHead(308, { location: secure }).end();
  // Well is who can show a page.
  if (/^\/api\/health(\/ready)?(\?|$)/.test(request.url ?? '')) await ready;
  try {
    asked = await askingOf(request, id);
  } catch (error) {
    noted(error);
    if (!isAway(error)) logged(error);
    return refuse(request, response, busy(message('the kitchen’s database is away or too slow')));
  }
  const away = turnedAway(request, asked.who);
  if (away?.refusal) return refuse(request, response, away.refusal);
  if (away) return void response.writeHead(303, { location: away.to }).end();
  const asking = asked;
  return as(asking, () => answer(request, response, asking));
});

async function answer(request: IncomingMessage, response: ServerResponse, asked: Asking): Promise<void> {
  if (direct(request, response)) return;
  await ready;
  // A page that fails because the database is away says so, and that it is worth trying again.
  const { writeHead } = response;
  response.writeHead = ((status: number, ...more: never[]) => {
    if (status !== 500 || !awayWithin(LAID_TO_IT)) return writeHead.call(response, status, ...more);
    response.setHeader('Retry-After', '2');
    return writeHead.call(response, 503, ...more);
  }) as typeof writeHead;
  const begun = inTurn(request, response, () => {
    // Whoever was before it in its lane may have let it begin: it is asked as it was asked.
    as(asked, () => handle(request, response)).catch((error: unknown) => {
      logged(error);
      if (response.headersSent) response.destroy();
      else response.writeHead(500).end();
    });
  });
  if (!begun) refuse(request, response, busy(message('much is waiting here already')));
}
server.on('clientError', (_error, socket) => {
  if (socket.writable)
    socket.end('HTTP/1.1 400 Bad Request\r\nConnection: close\r\nContent-Length: 0\r\n\r\n');
});
server.on('upgrade', async (request, socket, head) => {
  socket.on('error', () => {});
  // Only the development server has something to upgrade to.
  if (!dev || refusedAtTheDoor(request, hosts)) {
    socket.end('HTTP/1.1 426 Upgrade Required\r\nConnection: close\r\nContent-Length: 0\r\n\r\n');
    return;
  }
  await ready;
  void app.getUpgradeHandler()(request, socket, head);
});
