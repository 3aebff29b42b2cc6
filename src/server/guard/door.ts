import type { IncomingMessage } from 'node:http';
import { hostname, networkInterfaces } from 'node:os';
import { notAllowed, Refusal } from '../refusal';

/** Names this server answers to: a page that a stranger's name points here must not read a kitchen. */
type Hosts = { readonly names: ReadonlySet<string>; readonly addresses: () => ReadonlySet<string> };

const bare = (host: string): string =>
  host
    .toLowerCase()
    .replace(/^\[|\]$/g, '')
    .replace(/\.$/, '');

const isWild = (host: string): boolean => host === '0.0.0.0' || host === '::';

/**
 * The machine itself, where it is bound to, its own name and addresses when it is bound to all of them, and what
 * `more` (PANACHE_HOSTS, with commas) says: the name of a proxy in front.
 */
export function hostsOf(boundTo: string, more = ''): Hosts {
  const wild = isWild(boundTo);
  const own = wild ? [hostname(), `${hostname()}.local`] : [boundTo];
  return {
    names: new Set(
      ['localhost', '127.0.0.1', '::1', ...own, ...more.split(',')]
        .map((h) => bare(h.trim()))
        .filter(Boolean),
    ),
    // Asked anew: a machine gets another address while it runs.
    addresses: () =>
      new Set(
        wild
          ? Object.values(networkInterfaces())
              .flatMap((all) => all ?? [])
              .map((a) => bare(a.address))
          : [],
      ),
  };
}

/** The name in a Host header, without its port; null when it is none. */
function nameIn(host: string | undefined): string | null {
  if (!host || !/^(\[[0-9a-fA-F:.]+\]|[a-zA-Z0-9.-]+)(:\d{1,5})?$/.test(host)) return null;
  return bare(host.replace(/:\d{1,5}$/, ''));
}

const READS = new Set(['GET', 'HEAD']);
const WRITES = new Set(['POST', 'PUT', 'DELETE']);

/** Longest address, characters. */
const LONGEST = 8000;

function badAddress(url: string): string | null {
  if (url.length > LONGEST) return `${url.length} characters`;
  if (!url.startsWith('/')) return 'not a path';
  const [path = '', query = ''] = url.split('?', 2);
  // No text of ours holds a NUL, and no database takes one.
  if (/%00/.test(url)) return 'a NUL in it';
  try {
    decodeURIComponent(path);
    // What a page reads of the query is text as well.
    for (const value of new URLSearchParams(query).values())
      if (!value.isWellFormed()) return 'half a sign in it';
    return null;
  } catch {
    return 'a broken % in it';
  }
}

/** Whether the page that asks is another site's, as far as a browser says. */
function isForeign({ headers }: IncomingMessage): boolean {
  const { origin, host } = headers;
  const site = headers['sec-fetch-site'];
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return true;
  if (origin === undefined) return false;
  try {
    return new URL(origin).host.toLowerCase() !== String(host).toLowerCase();
  } catch {
    // “null”: a sandboxed frame, a file.
    return true;
  }
}

/**
 * What is refused before anything looks at it: names that are not ours, pages of other sites that write or listen,
 * methods and addresses nothing answers to, and writing that is not JSON. Null when it may come in.
 */
export function refusedAtTheDoor(request: IncomingMessage, hosts: Hosts): Refusal | null {
  const { method = '', url = '', headers } = request;
  const name = nameIn(headers.host);
  if (name === null || !(hosts.names.has(name) || hosts.addresses().has(name)))
    return notAllowed(
      421,
      'Host',
      `“${headers.host ?? ''}” is not a name of this kitchen`,
      'start with PANACHE_HOSTS=name to answer to it',
    );
  if (!READS.has(method) && !WRITES.has(method))
    return notAllowed(405, 'method', method, 'GET, HEAD, POST, PUT or DELETE');
  const bad = badAddress(url);
  if (bad)
    return new Refusal(400, [
      { field: 'address', given: bad, allowed: `a path of at most ${LONGEST} whole signs` },
    ]);
  const path = url.split('?')[0] ?? '';
  const isApi = path.startsWith('/api/');
  if (WRITES.has(method) && !isApi) return notAllowed(405, 'method', method, 'GET or HEAD');
  // Another site may link to a page; it may not write, and not read what answers a program.
  if (isForeign(request) && (WRITES.has(method) || (isApi && headers['sec-fetch-mode'] !== 'navigate')))
    return notAllowed(
      403,
      'Origin',
      `a page of another site, ${headers.origin ?? headers['sec-fetch-site']}`,
      'this kitchen’s own pages, and programs',
    );
  if (WRITES.has(method) && !/^application\/json\s*(;|$)/i.test(headers['content-type'] ?? ''))
    return notAllowed(415, 'content-type', headers['content-type'] ?? 'none', 'application/json');
  return null;
}
