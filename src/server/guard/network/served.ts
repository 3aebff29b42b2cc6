import { networkInterfaces } from 'node:os';
import { isLoopback } from './address';

/** Where this process listens, as it was told (`-H`, `-p`), or as a proxy in front is reached. */
type Served = { readonly host: string; readonly port: number; readonly secure: boolean };
const holder = globalThis as typeof globalThis & { panacheServed?: Served };

export const serving = (served: Served): void => {
  holder.panacheServed = served;
};

const isOwn = (host: string): boolean => host === 'localhost' || isLoopback(host);

/** Names a proxy in front is reached by (PANACHE_HOSTS). */
const outside = (): readonly string[] =>
  (process.env.PANACHE_HOSTS ?? '')
    .split(',')
    .map((h) => h.trim())
    .filter((h) => h && !isOwn(h));

/** Whether other devices reach this kitchen. */
export const isServed = (): boolean =>
  outside().length > 0 || !isOwn(holder.panacheServed?.host ?? '127.0.0.1');

/** Addresses of this machine on its networks. */
const ownAddresses = (): readonly string[] =>
  Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter((a) => !a.internal && a.family === 'IPv4')
    .map((a) => a.address);

/** Addresses another device reaches `path` by: of a proxy in front; by the name the one who asks used; of this machine on its networks. */
export function linksTo(path: string, askedHost: string): readonly string[] {
  const { host = '127.0.0.1', port = 3000, secure = false } = holder.panacheServed ?? {};
  const names = outside();
  if (names.length > 0) return names.map((name) => `https://${name}${path}`);
  if (!isServed()) return [];
  const scheme = secure ? 'https' : 'http';
  const used = askedHost.replace(/:\d+$/, '');
  const first = isOwn(used) || used === '' ? [] : [askedHost];
  const rest = (host === '0.0.0.0' || host === '::' ? ownAddresses() : [host]).map((a) => `${a}:${port}`);
  return [...new Set([...first, ...rest])].map((a) => `${scheme}://${a}${path}`);
}
