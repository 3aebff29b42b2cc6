import type { IncomingMessage } from 'node:http';
import type { TLSSocket } from 'node:tls';
import { noted, pool } from '../data/database';
import { readKitchenIds } from '../queries/kitchens';
import { goOnWithSession, readStationByKey } from '../queries/stations';
import { type Asking, HERE, inKitchen, ownKitchen, type PairedStation, standsIn, type Who } from './asking';
import { cookieOf, hashed, KEY_COOKIE, LEAD_COOKIE, LEAD_LASTS } from './keys';
import { addressOf, isLoopback, isThroughProxy, protoOf } from './network/address';

/** ms a key that was looked up is believed: every tap would ask the database otherwise. A revoked one is forgotten at once. */
const BELIEVED = 2000;

/** Most keys remembered; whoever makes up more than that is looked up each time. */
const MOST_KNOWN = 2000;

type Known = {
  readonly at: number;
  readonly station: Promise<Omit<PairedStation, 'kind' | 'raised'> | null>;
};
const holder = globalThis as typeof globalThis & { panacheKeys?: Map<string, Known> };
holder.panacheKeys ??= new Map();
const known = holder.panacheKeys;

/** Looks all keys up anew: one was revoked or has another name. */
export const forgetKeys = (): void => known.clear();

function stationOf(keyHash: string): Known['station'] {
  const now = Date.now();
  const before = known.get(keyHash);
  if (before && now - before.at < BELIEVED) return before.station;
  const station = readStationByKey(pool('keys'), keyHash);
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(keyHash, { at: now, station });
  // What could not be asked is asked again.
  station.catch(() => known.delete(keyHash));
  return station;
}

/** Names this machine has for itself alone: a request by another came over a network, or past a proxy. */
const LOCAL_NAME = /^(localhost|127(\.\d{1,3}){3}|\[::1\])(:\d{1,5})?$/i;

/** Whether a request was made on this machine, by it: over loopback, by its own name, and through nothing in between. */
export const isHere = (request: IncomingMessage): boolean =>
  isLoopback(request.socket?.remoteAddress ?? '') &&
  !isThroughProxy(request) &&
  LOCAL_NAME.test(request.headers.host ?? '');

/**
 * Who asks. A lead’s session is looked at where it is wanted, and goes on by that. Throws where the database is away: nobody is let
 * in, or turned out, by that.
 */
export async function whoAsks(request: IncomingMessage): Promise<Who> {
  if (isHere(request)) return HERE;
  const key = cookieOf(request.headers.cookie, KEY_COOKIE);
  const station = key === null ? null : await stationOf(hashed(key));
  if (!station) return { kind: 'stranger' };
  const token = cookieOf(request.headers.cookie, LEAD_COOKIE);
  const raised =
    token !== null &&
    (await inKitchen(station.kitchenId, () =>
      goOnWithSession(pool('keys'), station.id, hashed(token), LEAD_LASTS),
    ));
  return { kind: 'station', ...station, raised };
}

/** The kitchen this machine stands in, by PANACHE_KITCHEN or the first there is: looked for until there is one. */
async function findOwnKitchen(): Promise<void> {
  const ids = await readKitchenIds(pool('keys'));
  const named = process.env.PANACHE_KITCHEN || ids[0];
  if (named && ids.includes(named)) standsIn(named);
}

/** ms a request waits to hear which kitchen this machine stands in. */
const PATIENCE = 300;
let looking: Promise<void> | null = null;

/** As {@link whoAsks}, with from where, and whether what is answered goes over TLS. */
export async function askingOf(request: IncomingMessage, id?: string): Promise<Asking> {
  // Where the database is away there is none yet, and what needs one says so: nobody waits long for that.
  if (!ownKitchen()) {
    looking ??= findOwnKitchen()
      .catch(noted)
      .finally(() => {
        looking = null;
      });
    await Promise.race([looking, new Promise((r) => setTimeout(r, PATIENCE))]);
  }
  return {
    ...(id && { id }),
    who: await whoAsks(request),
    address: addressOf(request),
    secure: (request.socket as Partial<TLSSocket>).encrypted === true || protoOf(request) === 'https',
  };
}
