import { timingSafeEqual } from 'node:crypto';
import type { IncomingMessage } from 'node:http';
import { beyond, type Refusal } from '../refusal';
import { mayDo, needOf } from './access';
import type { Who } from './asking';
import { hashed } from './keys';

/** Whether whoever asks for what is measured has the token set for that (PANACHE_METRICS_TOKEN). */
function hasMetricsToken(authorization = ''): boolean {
  const token = process.env.PANACHE_METRICS_TOKEN ?? '';
  const said = /^Bearer (\S+)$/.exec(authorization)?.[1] ?? '';
  return token.length >= 16 && timingSafeEqual(Buffer.from(hashed(said)), Buffer.from(hashed(token)));
}

/**
 * Where somebody is turned away: to the page where a code is typed, to what an inspector may read, or with a refusal; null where they
 * may come in.
 */
export function turnedAway(
  { method = 'GET', url = '', headers }: Pick<IncomingMessage, 'method' | 'url' | 'headers'>,
  who: Who,
):
  | { readonly to: string; readonly refusal?: undefined }
  | { readonly to?: undefined; readonly refusal: Refusal }
  | null {
  const path = url.split('?')[0] ?? '';
  if (path === '/api/metrics' && hasMetricsToken(headers.authorization)) return null;
  const may = mayDo(who, needOf(method, path));
  if (may === 'yes') return null;
  // A page that is opened is shown where to go; what a page or a program asks for is refused.
  const isPage = !path.startsWith('/api/') && (method === 'GET' || method === 'HEAD') && !headers.rsc;
  if (isPage && may === 'unknown') return { to: `/pair?to=${encodeURIComponent(url.slice(0, 500))}` };
  if (isPage && who.kind === 'station' && who.access === 'inspector') return { to: '/record' };
  return { refusal: beyond(may === 'unknown' ? 'key' : may === 'with the PIN' ? 'pin' : null) };
}
