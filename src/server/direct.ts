import type { IncomingMessage, ServerResponse } from 'node:http';
import type { BatchEvent } from '../core/batch/events';
import { message } from '../core/message/message';
import { LANGUAGE_COOKIE, type Language, languageIn } from '../core/text/catalogue';
import { recordEvent } from './actions/batches';
import { afterBatchEvent, recordKeep } from './actions/keep/keep';
import { pool, poolsInUse, reached } from './data/database';
import { askedKitchen, asking, ownKitchen } from './guard/asking';
import { TELLS_TIME } from './guard/headers';
import { later } from './guard/later';
import { addressOf } from './guard/network/address';
import { whoAsks } from './guard/who';
import { listenToDevices } from './live/devices';
import { learnSoon } from './live/learning';
import { isListening, listen } from './live/live';
import { listenToRail, type RailNews, theRail, wholeRail } from './live/theRail';
import { log, said } from './log';
import { isLongLot } from './queries/long';
import { readRecordHead } from './queries/record/seals';
import { answered, beyond, busy, jsonIn, notAllowed, type Refusal, tooLarge, unknown } from './refusal';
import { metricsText, readsFrom, tapped } from './watched/metrics';
import { work } from './work/work';

/** Most bytes of one event. */
const MOST = 64 * 1024;

/** A sign of life this often, ms: a station that hears none for twice as long knows that the line is dead. */
const BREATH = 8000;

/** Most stations one process tells, and bytes one may leave unread before it is cut: it comes back and reads anew. */
const MOST_STREAMS = Number(process.env.PANACHE_MOST_STREAMS ?? 400);
/** Of one address: one device does not take the places of all. */
const MOST_STREAMS_EACH = Number(process.env.PANACHE_MOST_STREAMS_EACH ?? 100);
const MOST_UNREAD = 256 * 1024;

async function jsonOf(request: IncomingMessage): Promise<unknown> {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of request as AsyncIterable<Buffer>) {
    size += chunk.byteLength;
    if (size > MOST) throw tooLarge(size, MOST);
    chunks.push(chunk);
  }
  return jsonIn(Buffer.concat(chunks).toString('utf8'));
}

/** The language a station reads, as its cookie says. */
const languageOf = (request: IncomingMessage): Language =>
  languageIn(new RegExp(`(?:^|; )${LANGUAGE_COOKIE}=([^;]*)`).exec(request.headers.cookie ?? '')?.[1]);

/** Answers with what `work` comes to, as JSON. */
export async function tell(
  response: ServerResponse,
  work: Parameters<typeof answered>[0],
  language?: Language,
): Promise<void> {
  const { status, body, headers } = await answered(work, language);
  if (response.headersSent || response.destroyed) return;
  const text = JSON.stringify(body);
  response.writeHead(status, {
    'content-type': 'application/json',
    'content-length': Buffer.byteLength(text),
    'cache-control': 'no-store',
    ...headers,
  });
  response.end(text);
}

/** Answers with a refusal. What is still being sent is not waited for. */
export function refuse(request: IncomingMessage, response: ServerResponse, refusal: Refusal): void {
  if (!request.complete) response.setHeader('connection', 'close');
  void tell(
    response,
    async () => {
      throw refusal;
    },
    languageOf(request),
  );
}

/** After these a batch may be one to be logged. */
const ENDS: ReadonlySet<BatchEvent['body']['kind']> = new Set(['finished', 'cleared', 'note', 'withdrawn']);

/** Counts and times a tap, once it is answered. */
async function timed(
  of: 'batch' | 'keep',
  response: ServerResponse,
  answer: (told: (input: unknown) => void) => Promise<void>,
): Promise<void> {
  const from = performance.now();
  let said: Parameters<typeof tapped>[3];
  await answer((input) => {
    if (typeof input === 'object' && input !== null) said = input;
  });
  tapped(of, response.statusCode, (performance.now() - from) / 1000, said);
}

/** Writes one event of a batch: a tap of a station. */
const event = (batch: string, request: IncomingMessage, response: ServerResponse): Promise<void> =>
  timed('batch', response, (told) =>
    tell(
      response,
      async () => {
        const input = await jsonOf(request);
        told(input);
        const recorded = await recordEvent(pool('taps'), batch, input);
        if (recorded.isNew && ENDS.has((input as BatchEvent).body.kind)) learnSoon();
        // What was finished to be kept is put by at once; where that fails it is as soon as anybody looks.
        if (recorded.isNew)
          await afterBatchEvent(pool('saves'), batch, input as BatchEvent).catch((error: unknown) =>
            log().warn({ batch, error: said(error) }, 'what was finished was not put by yet'),
          );
        return { status: recorded.isNew ? 201 : 200, body: recorded };
      },
      languageOf(request),
    ),
  );

/** Writes one line of something kept. */
const keepLine = (lot: string, request: IncomingMessage, response: ServerResponse): Promise<void> =>
  timed('keep', response, (told) =>
    tell(
      response,
      async () => {
        const input = await jsonOf(request);
        told(input);
        const db = pool('kept');
        const recorded = (await isLongLot(db, lot))
          ? await work('recordKeep', { lot, input, asked: asking() })
          : await recordKeep(db, lot, input);
        return { status: recorded.isNew ? 201 : 200, body: recorded };
      },
      languageOf(request),
    ),
  );

/** Streams each address has open. */
const streamsOf = new Map<string, number>();

/** A frame of the stream. */
const frame = (name: string, data: unknown): string => `event: ${name}\ndata: ${JSON.stringify(data)}\n\n`;

/** Stations of a kitchen that are told, and programs that are no station. Each frame is put together once for all of them. */
class Told {
  readonly stations = new Set<ServerResponse>();
  readonly programs = new Set<ServerResponse>();
  /** What is told as long as there is a station. */
  private readonly stop: () => void;
  private asItIs: {
    readonly of: RailNews['tickets'];
    readonly head: RailNews['head'];
    readonly text: string;
  } | null = null;

  constructor(private readonly kitchen: string) {
    const stops = [
      listen(kitchen, (told) => {
        if (told === 'again') this.sendAll(frame('again', {}));
        else this.sendAll(frame('service' in told ? 'service' : 'keep' in told ? 'keep' : 'told', told));
      }),
      listenToRail((news) => this.sendAll(frame('ticket', news))),
    ];
    const breath = setInterval(() => this.sendAll(alive()), BREATH);
    this.stop = () => {
      clearInterval(breath);
      for (const stop of stops) stop();
    };
  }

  private sendAll(text: string): void {
    for (const station of this.stations) send(station, text);
    for (const program of this.programs) send(program, text);
  }

  /** The whole rail as a frame: put together once, for all who come while it is as it is. */
  whole(): string | null {
    const whole = wholeRail();
    if (!whole) return null;
    if (this.asItIs?.of !== whole.tickets || this.asItIs.head !== whole.head)
      this.asItIs = { of: whole.tickets, head: whole.head, text: frame('ticket', whole) };
    return this.asItIs.text;
  }

  /** One is told no more; where nobody is, nothing is put together. */
  leave(response: ServerResponse): void {
    this.stations.delete(response);
    this.programs.delete(response);
    if (this.stations.size + this.programs.size > 0 || tellings.get(this.kitchen) !== this) return;
    this.stop();
    tellings.delete(this.kitchen);
  }
}

/** Who is told, by kitchen. */
const tellings = new Map<string, Told>();
function tellingHere(): Told {
  const kitchen = askedKitchen();
  const known = tellings.get(kitchen) ?? new Told(kitchen);
  tellings.set(kitchen, known);
  return known;
}
const toldInAll = (of: 'stations' | 'programs'): number =>
  [...tellings.values()].reduce((n, t) => n + t[of].size, 0);

function send(response: ServerResponse, text: string): void {
  // Who does not read is cut: it would cost the memory of all, and when it comes back it reads anew.
  if (response.writableLength > MOST_UNREAD) response.destroy();
  else response.write(text);
}
const alive = (): string =>
  frame('alive', { ...(TELLS_TIME && { now: Date.now() }), telling: isListening() });

/**
 * Server-sent events: `told` with each event of any batch, `ticket` with what changes on the rail, `service` with
 * each service that was saved, `keep` with each line of something kept, `again` when a station should read anew,
 * `device` with what the kitchen’s devices send, `alive` now and then, with the server’s clock.
 */
function live(request: IncomingMessage, response: ServerResponse): void {
  const head = {
    'content-type': 'text/event-stream; charset=utf-8',
    'cache-control': 'no-cache, no-transform',
    'x-accel-buffering': 'no',
  };
  if (request.method === 'HEAD') {
    response.writeHead(200, head).end();
    return;
  }
  const { who } = asking();
  const address = addressOf(request);
  const own = streamsOf.get(address) ?? 0;
  const all = toldInAll('stations') + toldInAll('programs');
  if (own >= MOST_STREAMS_EACH || all >= MOST_STREAMS) {
    const full = busy(
      own >= MOST_STREAMS_EACH
        ? message('{streams} pages of this device are told already', { streams: own })
        : message('{streams} stations are told already', { streams: all }),
      message('close one that nobody looks at'),
    );
    later(() => refuse(request, response, full));
    return;
  }
  response.writeHead(200, head);
  streamsOf.set(address, own + 1);
  response.write('retry: 1000\n\n');
  response.write(alive());
  const here = tellingHere();
  // What stands in for the devices hears nothing of them.
  const isStation = !/[?&]devices=no\b/.test(request.url ?? '');
  const told = isStation ? here.stations : here.programs;
  told.add(response);
  // Whatever was told before it came, it reads anew.
  if (isListening()) send(response, frame('again', {}));
  const whole = here.whole();
  if (whole) send(response, whole);
  // A key that is revoked hears no more.
  const stillIn =
    who.kind === 'station'
      ? setInterval(() => {
          whoAsks(request).then(
            (now) => now.kind === 'stranger' && response.destroy(),
            () => {},
          );
        }, BREATH)
      : undefined;
  const stopDevices = isStation ? listenToDevices((news) => send(response, deviceFrame(news))) : null;
  response.on('error', () => {});
  response.on('close', () => {
    const left = (streamsOf.get(address) ?? 1) - 1;
    if (left > 0) streamsOf.set(address, left);
    else streamsOf.delete(address);
    clearInterval(stillIn);
    here.leave(response);
    stopDevices?.();
  });
}

/** Frames of what devices sent: one for all stations that are told of it. */
const deviceFrames = new WeakMap<object, string>();
function deviceFrame(news: object): string {
  const text = deviceFrames.get(news) ?? frame('device', news);
  deviceFrames.set(news, text);
  return text;
}

/** Tickets of the live pots; the head of the record comes with them, for every station to keep. */
const rail = (response: ServerResponse): Promise<void> =>
  tell(response, async () => {
    const [body, head] = await Promise.all([theRail(), readRecordHead(pool())]);
    return { body, ...(head && { headers: { 'x-panache-head': `${head.n}:${head.hash}` } }) };
  });

/**
 * What is true of this process: whether it reaches its database, hears it, and how many it tells. `run` tells it
 * from another on the same port.
 */
async function health(response: ServerResponse): Promise<void> {
  const database = await reached();
  const body = {
    ok: database.ok && isListening(),
    run: process.env.PANACHE_RUN ?? null,
    database: { reached: database.ok, ms: database.ms },
    telling: isListening(),
    stations: toldInAll('stations'),
    memoryMb: Math.round(process.memoryUsage.rss() / 1e6),
  };
  await tell(response, async () => ({
    status: database.ok ? 200 : 503,
    body,
    ...(!database.ok && { headers: { 'retry-after': '2' } }),
  }));
}

/** A part of an address as it is meant; null when it is no text at all. */
function decoded(part: string): string | null {
  try {
    return decodeURIComponent(part);
  } catch {
    return null;
  }
}

/** Whether this process can do its work: its database answers and it hears what others write. Without more: anybody may ask. */
async function isReady(response: ServerResponse): Promise<void> {
  const ok = (await reached()).ok && isListening();
  await tell(response, async () => ({
    status: ok ? 200 : 503,
    body: { ok },
    ...(!ok && { headers: { 'retry-after': '2' } }),
  }));
}

readsFrom({
  pools: poolsInUse,
  streams: () => ({ stations: toldInAll('stations'), programs: toldInAll('programs') }),
  listening: isListening,
});

/** What is measured of this process, as Prometheus reads it: of all kitchens, so that it is for those of the machine’s own alone. */
async function metrics(request: IncomingMessage, response: ServerResponse): Promise<void> {
  if (askedKitchen() !== ownKitchen()) return refuse(request, response, beyond(null));
  const { text, type } = await metricsText();
  response.writeHead(200, { 'content-type': type, 'cache-control': 'no-store' }).end(text);
}

const ANSWERS: Readonly<Record<string, (request: IncomingMessage, response: ServerResponse) => void>> = {
  '/api/live': live,
  '/api/rail': (_request, response) => void rail(response),
  '/api/clock': (_request, response) => void tell(response, async () => ({ body: { now: Date.now() } })),
  '/api/health': (_request, response) => void health(response),
  '/api/health/live': (_request, response) => void tell(response, async () => ({ body: { ok: true } })),
  '/api/health/ready': (_request, response) => void isReady(response),
  '/api/metrics': (request, response) => void metrics(request, response),
};
const EVENTS = /^\/api\/(batches|keep)\/([^/?]+)\/events$/;

/**
 * What every tap of every station goes through, answered without a page's machinery: an event written, the
 * stream that tells it, the rail, the clock, and whether all is well. True when the request was one of them.
 */
export function direct(request: IncomingMessage, response: ServerResponse): boolean {
  const { method } = request;
  const path = (request.url ?? '').split('?')[0] ?? '';
  const reads = method === 'GET' || method === 'HEAD';
  const [, of, named] = EVENTS.exec(path) ?? [];
  if (named) {
    const id = decoded(named);
    if (id === null) refuse(request, response, unknown(of === 'keep' ? 'lot' : 'batch', named, []));
    else if (method === 'POST') void (of === 'keep' ? keepLine : event)(id, request, response);
    else refuse(request, response, notAllowed(405, 'method', String(method), 'POST'));
    return true;
  }
  const answer = Object.hasOwn(ANSWERS, path) ? ANSWERS[path] : undefined;
  if (!answer) return false;
  if (!reads) refuse(request, response, notAllowed(405, 'method', String(method), 'GET'));
  else answer(request, response);
  return true;
}
