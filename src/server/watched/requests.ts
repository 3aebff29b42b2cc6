import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import type { Asking } from '../guard/asking';
import { trusted } from '../guard/network/address';
import { log } from '../log';
import { requested } from './metrics';

/** Of such a form an id may come from a proxy that is trusted: it goes into lines of the log as it is. */
const ID = /^[A-Za-z0-9._-]{8,64}$/;

/** What a request is known by, here and in the log: as a trusted proxy calls it, or a name of our own. It goes back with the answer. */
export function requestId({ headers, socket }: IncomingMessage): string {
  const told = headers['x-request-id'];
  return typeof told === 'string' && ID.test(told) && trusted()(socket.remoteAddress ?? '')
    ? told
    : randomUUID();
}

/** Answers longer than this, s, are told of. */
const SLOW = 3;

/** Measures a request, and writes a line where it changed something, failed or took long; taps that went well write none. */
export function watched(
  request: IncomingMessage,
  response: ServerResponse,
  asked: () => Asking | null,
): void {
  const from = performance.now();
  const { method = 'GET' } = request;
  const path = (request.url ?? '').split('?')[0] ?? '';
  response.once('close', () => {
    // A stream lasts as long as its station is on.
    if (path === '/api/live') return;
    const seconds = (performance.now() - from) / 1000;
    const status = response.statusCode;
    requested(method, path, status, seconds);
    const isTap = path.endsWith('/events');
    const changed = method !== 'GET' && method !== 'HEAD' && !isTap && status < 400;
    const level = status >= 500 ? 'error' : seconds > SLOW ? 'warn' : changed ? 'info' : 'debug';
    const who = asked()?.who;
    log()[level](
      {
        request: response.getHeader('x-request-id'),
        method,
        path,
        status,
        ms: Math.round(seconds * 1000),
        ...(who?.kind === 'station' && { station: who.name }),
      },
      response.writableFinished ? 'answered' : 'hung up',
    );
  });
}
