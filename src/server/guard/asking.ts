import { AsyncLocalStorage } from 'node:async_hooks';
import type { Access } from '../../core/record/access';
import type { Via } from '../../core/record/line';

/**
 * Who asks: this machine itself, a station with its key, or somebody nobody let in. A station is a lead’s for a while where the PIN
 * was typed.
 */
export type Who =
  | { readonly kind: 'here' }
  | {
      readonly kind: 'station';
      readonly id: string;
      readonly kitchenId: string;
      readonly name: string;
      readonly access: Access;
      /** Whose it is, by role; empty where it is nobody’s in particular. */
      readonly worksAs: string;
      readonly raised: boolean;
    }
  | { readonly kind: 'stranger' };
export type PairedStation = Extract<Who, { kind: 'station' }>;

export type Asking = {
  readonly who: Who;
  readonly address: string;
  /** Whether what is sent back goes over TLS. */
  readonly secure: boolean;
  /** What the request is known by in the log. */
  readonly id?: string;
  /** The kitchen it is about where no station says that: a screen nobody let in yet, and what is done by itself. */
  readonly kitchen?: string;
};

export const HERE: Who = { kind: 'here' };
const ITSELF: Asking = { who: HERE, address: '', secure: false };

// Pages are bundled apart from the server: both have to mean the same.
const holder = globalThis as typeof globalThis & { panacheAsking?: AsyncLocalStorage<Asking> };
holder.panacheAsking ??= new AsyncLocalStorage<Asking>();
const storage = holder.panacheAsking;

/** Does `work`, and all that comes of it, as asked so. */
export const as = <T>(asking: Asking, work: () => T): T => storage.run(asking, work);

/** Who asks for what is being done; the machine itself where nobody does, as its own clockwork. */
export const asking = (): Asking => storage.getStore() ?? ITSELF;

const own = globalThis as typeof globalThis & { panacheOwnKitchen?: string };

/** The kitchen this machine itself stands in, from now on. */
export const standsIn = (kitchen: string): void => {
  own.panacheOwnKitchen = kitchen;
};

/** The kitchen this machine stands in; empty before it is known. */
export const ownKitchen = (): string => own.panacheOwnKitchen ?? '';

/**
 * The kitchen what is being done is of: the station’s; what was said where there is none; this machine’s own. Empty before that is
 * known.
 */
export const askedKitchen = (): string => {
  const { who, kitchen } = asking();
  return who.kind === 'station' ? who.kitchenId : (kitchen ?? ownKitchen());
};

/** Does `work` by itself, of a kitchen. */
export const inKitchen = <T>(kitchen: string, work: () => T): T => as({ ...ITSELF, kitchen }, work);

/** What there is one of to a kitchen, made when it is first asked for; of those not asked for longest `most` are kept. */
export function perKitchen<T>(make: () => T, most = 2000): () => T {
  const all = new Map<string, T>();
  return () => {
    const kitchen = askedKitchen();
    const one = all.get(kitchen) ?? make();
    all.delete(kitchen);
    all.set(kitchen, one);
    for (const oldest of all.keys()) {
      if (all.size <= most) break;
      all.delete(oldest);
    }
    return one;
  };
}

/** What the request that is being answered is known by; null where none is. */
export const requestOf = (): string | null => storage.getStore()?.id ?? null;

/** What a station is called in a record: whose it is, or its own name. */
export const calledOf = ({ name, worksAs }: Pick<PairedStation, 'name' | 'worksAs'>): string =>
  worksAs || name;

/** What a lead may do: a lead’s own station, and any cook’s where the PIN was typed. */
const accessOf = ({ access, raised }: PairedStation): Access => (raised ? 'lead' : access);

/**
 * Who writes a line, as a record has it: by the key where there is one, whatever the line itself says; what it said is kept beside
 * that where it says another.
 */
export function keyed(said: string): { readonly station: string; readonly via?: Via } {
  const { who } = asking();
  if (who.kind !== 'station') return { station: said };
  const station = calledOf(who);
  const via: Via = { station: who.id, name: who.name, access: accessOf(who) };
  return { station, via: said && said !== station ? { ...via, said: said.slice(0, 60) } : via };
}

/** Who saves a version of something, as it is kept: the station by its key, or whom a page at the machine says. */
export const savedBy = (said: string): string => {
  const { who } = asking();
  return who.kind === 'station' ? `${calledOf(who)}, ${accessOf(who)}`.slice(0, 60) : said;
};
