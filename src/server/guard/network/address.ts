import type { IncomingMessage } from 'node:http';
import { BlockList, isIPv6, type Socket } from 'node:net';

type Request = {
  readonly socket?: Pick<Socket, 'remoteAddress'> | undefined;
  readonly headers?: IncomingMessage['headers'];
};

const LOOPBACK = new BlockList();
LOOPBACK.addSubnet('127.0.0.0', 8, 'ipv4');
LOOPBACK.addAddress('::1', 'ipv6');

/** An address as it is without the form IPv6 gives those of IPv4. */
const plain = (address: string): string => address.replace(/^::ffff:(?=\d+\.)/i, '');

export function isLoopback(address: string): boolean {
  const of = plain(address);
  return of !== '' && LOOPBACK.check(of, isIPv6(of) ? 'ipv6' : 'ipv4');
}

/** Headers a proxy puts on what it passes. */
const PASSED = ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-forwarded-proto', 'via', 'x-real-ip'];

/** Whether something stands between the one who asks and this machine, as far as what it sends says. */
export const isThroughProxy = ({ headers }: Pick<IncomingMessage, 'headers'>): boolean =>
  PASSED.some((name) => headers[name] !== undefined);

/** Addresses whose word is taken for whom they speak (TRUST_PROXY, with commas; 1 is this machine’s own). */
export const trusted = (told = process.env.TRUST_PROXY ?? ''): ((address: string) => boolean) => {
  const names = told
    .split(',')
    .map((t) => t.trim())
    .filter(Boolean);
  const own = names.some((n) => n === '1' || n === 'loopback');
  return (address) => (own && isLoopback(address)) || names.includes(plain(address));
};

const lastOf = (header: string | string[] | undefined): string =>
  (Array.isArray(header) ? header.join(',') : (header ?? '')).split(',').at(-1)?.trim() ?? '';

/**
 * Who is at the other end: what the line says; where that is a proxy this kitchen trusts, whom it says it speaks for, which is the last
 * it wrote down.
 */
export function addressOf({ socket, headers }: Request): string {
  const from = plain(socket?.remoteAddress ?? '');
  const told = lastOf(headers?.['x-forwarded-for']);
  return told && trusted()(from) ? plain(told) : from;
}

/** How it came to a proxy this kitchen trusts: “https” or “http”; null where there is none. */
export function protoOf({ socket, headers }: Request): string | null {
  const from = plain(socket?.remoteAddress ?? '');
  return trusted()(from) ? lastOf(headers?.['x-forwarded-proto']).toLowerCase() || null : null;
}

/** Most lines one address may hold open: a kitchen behind one proxy has fewer. */
const MOST_EACH = Number(process.env.PANACHE_MOST_LINES_EACH ?? 600);

const lines = new Map<string, number>();

/** Counts a line that was opened; one too many of its address is closed at once, so that others still get in: then false. */
export function admit(socket: Socket): boolean {
  const address = socket.remoteAddress ?? '';
  const own = (lines.get(address) ?? 0) + 1;
  if (own > MOST_EACH) {
    // No farewell: whoever dials without end is not waited for.
    socket.resetAndDestroy();
    return false;
  }
  lines.set(address, own);
  socket.once('close', () => {
    const left = (lines.get(address) ?? 1) - 1;
    if (left > 0) lines.set(address, left);
    else lines.delete(address);
  });
  return true;
}
