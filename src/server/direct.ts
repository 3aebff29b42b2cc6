import type { IncomingMessage, ServerResponse } from 'node:http';
import { recordEvent } from './batches';
import { pool } from './database';
import { listenToDevices } from './devices';
import { listen } from './live';
import { answered, cannot, notJson, tooLarge } from './refusal';

/** Most bytes of one event. */
const MOST = 64 * 1024;

/** A line now and then, ms, so that nobody between here and the station takes the silence for an end. */
const BREATH = 15_000;

async function jsonOf(request: IncomingMessage): Promise<unknown> {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of request as AsyncIterable<Buffer>) {
    size += chunk.byteLength;
    if (size > MOST) throw tooLarge(size, MOST);
    chunks.push(chunk);
  }
  const text = Buffer.concat(chunks).toString('utf8');
  try {
    return JSON.parse(text);
  } catch {
    throw notJson(text);
  }
}

/** Writes one event of a batch: a tap of a station. */
async function event(batch: string, request: IncomingMessage, response: ServerResponse): Promise<void> {
  const { status, body } = await answered(async () => {
    const recorded = await recordEvent(pool(), batch, await jsonOf(request));
    return { status: recorded.isNew ? 201 : 200, body: recorded };
  });
  const text = JSON.stringify(body);
  response.writeHead(status, {
    'content-type': 'application/json',
    'content-length': Buffer.byteLength(text),
  });
  response.end(text);
}

/** Server-sent events: `told` with each event of any batch, `again` when a station should read anew, `device` with what the kitchen’s devices send. */
function live(request: IncomingMessage, response: ServerResponse): void {
  response.writeHead(200, {
    'content-type': 'text/event-stream; charset=utf-8',
    'cache-control': 'no-cache, no-transform',
    'x-accel-buffering': 'no',
  });
  const send = (name: string, data: unknown) =>
    response.write(`event: ${name}\ndata: ${JSON.stringify(data)}\n\n`);
  response.write('retry: 1000\n\n');
  const stop = listen((told) => (told === 'again' ? send('again', {}) : send('told', told)));
  const stopDevices = listenToDevices((news) => send('device', news));
  const breath = setInterval(() => response.write(': still here\n\n'), BREATH);
  request.on('close', () => {
    clearInterval(breath);
    stop();
    stopDevices();
  });
}

const EVENTS = /^\/api\/batches\/([^/?]+)\/events$/;

/**
 * The two things every tap of every station goes through, answered without a page's machinery: an event
 * written, and the stream that tells it. True when the request was one of them.
 */
export function direct(request: IncomingMessage, response: ServerResponse): boolean {
  const path = (request.url ?? '').split('?')[0] ?? '';
  const batch = EVENTS.exec(path)?.[1];
  if (batch && request.method === 'POST') {
    void event(decodeURIComponent(batch), request, response);
    return true;
  }
  if (batch) {
    void answered(async () => {
      throw cannot('method', String(request.method), 'POST');
    }).then(({ status, body }) => {
      response.writeHead(status, { 'content-type': 'application/json' });
      response.end(JSON.stringify(body));
    });
    return true;
  }
  if (path === '/api/live' && request.method === 'GET') {
    live(request, response);
    return true;
  }
  return false;
}
