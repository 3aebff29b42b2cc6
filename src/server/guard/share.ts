import type { IncomingMessage, ServerResponse } from 'node:http';
import { addressOf } from './network/address';

/**
 * What lies ready and is only sent. All else is worked out, read or drawn; taps, the stream, the rail and the
 * clock are answered before they come here.
 */
const READY = /^\/(_next\/|api\/health\b|[^/]+\.(svg|js|css|html|ico|txt)$)/;

/** Things of one address under way at once, and waiting behind them: a page asks for half a dozen. */
const MOST_AT_ONCE = Number(process.env.PANACHE_MOST_AT_ONCE_EACH ?? 12);
const MOST_WAITING = 200;

type Waiting = { readonly begin: () => void };
type Lane = { under: number; readonly waiting: Waiting[] };

/** Lanes by address; one with nothing in it is none. */
const lanes = new Map<string, Lane>();

/**
 * Lets a request begin when it is its address’s turn: each has a lane of its own, so that whoever asks for two hundred things at once
 * waits behind themselves, and not everybody behind them. Whoever hangs up while waiting is not begun. False where the lane is full:
 * then it is for the caller to refuse it.
 */
export function inTurn(
  request: Pick<IncomingMessage, 'url' | 'socket'>,
  response: Pick<ServerResponse, 'once' | 'destroyed'>,
  begin: () => void,
): boolean {
  if (READY.test((request.url ?? '').split('?')[0] ?? '')) {
    begin();
    return true;
  }
  const address = addressOf(request);
  const lane = lanes.get(address) ?? { under: 0, waiting: [] };
  if (lane.under >= MOST_AT_ONCE && lane.waiting.length >= MOST_WAITING) return false;
  lanes.set(address, lane);
  let begun = false;
  const own: Waiting = {
    begin: () => {
      begun = true;
      lane.under += 1;
      begin();
    },
  };
  response.once('close', () => {
    if (begun) lane.under -= 1;
    else lane.waiting.splice(lane.waiting.indexOf(own), 1);
    while (lane.under < MOST_AT_ONCE && lane.waiting.length > 0) lane.waiting.shift()?.begin();
    if (lane.under === 0) lanes.delete(address);
  });
  if (lane.under < MOST_AT_ONCE) own.begin();
  else lane.waiting.push(own);
  return true;
}
