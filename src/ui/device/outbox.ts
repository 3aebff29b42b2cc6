'use client';

import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { v4 as uuid } from 'uuid';
import type { BatchEvent, EventBody } from '../../core/batch/events';
import type { KeepBody, KeepEvent } from '../../core/keep/events';
import type { Message } from '../../core/message/message';
import { clockMs, kitchenNow } from './line/clock';
import { lineIs } from './line/live';
import { type Sent, send } from './line/send';
import { tapWords } from './undo/taps';
import { did } from './undo/undo';
import { readRole } from './useRole';

/** A tap and whose record it goes into: a batch’s, or that of something kept, or of the kitchen (“kitchen”). */
type Waiting =
  | { readonly of?: undefined; readonly batch: string; readonly event: BatchEvent }
  | { readonly of: 'keep'; readonly batch: string; readonly event: KeepEvent };

/** Sends one tap off to where it belongs. */
const sentOff = (tap: Waiting): Promise<Sent> =>
  tap.of === 'keep'
    ? send('POST /api/keep/[id]/events', { at: { id: tap.batch }, body: tap.event })
    : send('POST /api/batches/[id]/events', { at: { id: tap.batch }, body: tap.event });

interface Station extends DBSchema {
  /** Taps not yet with the server, in the order they were made. */
  unsent: { key: number; value: Waiting };
  /** A batch's events as last known, for when the server is away. */
  known: { key: string; value: { readonly batch: string; readonly events: readonly BatchEvent[] } };
}

let opened: Promise<IDBPDatabase<Station> | null> | null = null;

/** The device's own store; null where the browser keeps none, then what waits lives as long as the page. */
function store(): Promise<IDBPDatabase<Station> | null> {
  opened ??= openDB<Station>('panache', 1, {
    upgrade(db) {
      db.createObjectStore('unsent', { autoIncrement: true });
      db.createObjectStore('known', { keyPath: 'batch' });
    },
  }).catch(() => null);
  return opened;
}

type Outbox = {
  readonly waiting: readonly Waiting[];
  /** Events the server has taken since the page came. */
  readonly sent: readonly Waiting[];
  /** What the server would not take, in words. */
  readonly refused: {
    readonly batch: string;
    readonly of: Waiting['of'];
    readonly says: Message;
  } | null;
};

let box: Outbox = { waiting: [], sent: [], refused: null };
const listeners = new Set<() => void>();
const change = (to: Partial<Outbox>) => {
  box = { ...box, ...to };
  for (const listener of listeners) listener();
};

/** Told to the page with every tap, for whoever does not carry the outbox itself. */
const TAPPED = 'panache:tapped';
/** On the device while something waits: the next page takes it up. */
export const WAITING = 'panache.waiting';

const mark = () => {
  if (box.waiting.length > 0) localStorage.setItem(WAITING, '1');
  else localStorage.removeItem(WAITING);
};

export const outbox = (): Outbox => box;
export const EMPTY: Outbox = box;
export function onOutbox(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Numbers in the store of what waits, by event. */
const numbers = new Map<string, number>();
let busy = false;
/** Writes to the store one after another, so that what was tapped first stands first. */
let writing: Promise<unknown> = Promise.resolve();

const AGAIN = 2000;

async function forget(id: string): Promise<void> {
  await writing;
  const number = numbers.get(id);
  numbers.delete(id);
  if (number !== undefined) await (await store())?.delete('unsent', number);
}

/** Sends what waits, oldest first, until the server cannot be reached. The same tap twice is kept once there. */
async function flush(): Promise<void> {
  if (busy) return;
  busy = true;
  try {
    for (let next = box.waiting[0]; next; next = box.waiting[0]) {
      const { batch, event, of } = next;
      const answer = await sentOff(next);
      if (!answer.ok && answer.again) {
        lineIs(false);
        break;
      }
      lineIs(true);
      change({
        waiting: box.waiting.filter((w) => w.event.id !== event.id),
        ...(answer.ok
          ? { sent: [...box.sent.slice(-200), next] }
          : { refused: { batch, of, says: answer.says } }),
      });
      mark();
      await forget(event.id);
    }
  } finally {
    busy = false;
  }
}

let last = 0;

/**
 * Events count by their time: what one tap writes several of keeps its order by a millisecond each, whatever
 * order they come back in. A clock put back further is followed.
 */
function moment(): string {
  const now = kitchenNow();
  last = now <= last && last - now < 1000 ? last + 1 : now;
  return new Date(last).toISOString();
}

/** What every line has, whatever it says; at the time of the line it stands in the place of, where it does. */
const stamped = (at?: string, id?: string) => {
  const ahead = clockMs();
  return {
    id: id ?? uuid(),
    at: at ?? moment(),
    station: readRole() || 'Stove',
    ...(ahead !== undefined && { clockMs: ahead }),
  };
};

function post(waiting: Waiting): void {
  change({ waiting: [...box.waiting, waiting], refused: null });
  mark();
  if (waiting.of !== 'keep') window.dispatchEvent(new CustomEvent(TAPPED, { detail: waiting.event.body }));
  writing = writing.then(async () => {
    const number = await (await store())?.add('unsent', waiting);
    if (number !== undefined) numbers.set(waiting.event.id, number);
  });
  void writing.then(flush, flush);
}

/** Taps of one gesture, which are taken back together; closed when the gesture is over. */
let gesture: Waiting[] | null = null;

const writtenTo = ({ of, batch }: Waiting, event: string): Waiting =>
  of === 'keep'
    ? { of, batch, event: { ...stamped(), body: { kind: 'withdrawn', event } } }
    : { batch, event: { ...stamped(), body: { kind: 'withdrawn', event } } };

/** Remembers the taps of one gesture as one thing that can be taken back, and done again with its old time. */
function remember(waiting: Waiting): void {
  const words = tapWords(waiting.event.body);
  if (words === null) return;
  if (gesture) {
    gesture.push(waiting);
    return;
  }
  const taps = [waiting];
  gesture = taps;
  setTimeout(() => {
    gesture = null;
  });
  let back: Waiting[] = [];
  did({
    // What is said last of a gesture is what it was for: a reading that goes with a step is not.
    get words() {
      return tapWords(taps.at(-1)?.event.body ?? waiting.event.body) ?? words;
    },
    undo: () => {
      back = taps.toReversed().map((w) => writtenTo(w, w.event.id));
      for (const w of back) post(w);
    },
    redo: () => {
      for (const w of back.toReversed()) post(writtenTo(w, w.event.id));
    },
  });
}

/** Writes down what was tapped: at once on this device, and with the server as soon as it is there. */
export function tap(batch: string, body: EventBody, at?: string, id?: string): BatchEvent {
  const event: BatchEvent = { ...stamped(at, id), body };
  post({ batch, event });
  remember({ batch, event });
  return event;
}

/** The same for something kept, or for the kitchen (“kitchen”). */
export function tapKeep(lot: string, body: KeepBody, at?: string, id?: string): KeepEvent {
  const event: KeepEvent = { ...stamped(at, id), body };
  post({ of: 'keep', batch: lot, event });
  remember({ of: 'keep', batch: lot, event });
  return event;
}

let begun = false;

/** Takes up what a page before this one left waiting, and keeps trying. */
export function beginOutbox(): void {
  if (begun) return;
  begun = true;
  void (async () => {
    const db = await store();
    const keys = (await db?.getAllKeys('unsent')) ?? [];
    const left = (await db?.getAll('unsent')) ?? [];
    for (const [n, w] of left.entries()) {
      const key = keys[n];
      if (key !== undefined) numbers.set(w.event.id, key);
    }
    const here = new Set(box.waiting.map((w) => w.event.id));
    change({ waiting: [...left.filter((w) => !here.has(w.event.id)), ...box.waiting] });
    await flush();
  })();
  setInterval(() => box.waiting.length > 0 && void flush(), AGAIN);
  window.addEventListener('online', () => void flush());
}

export async function rememberEvents(batch: string, events: readonly BatchEvent[]): Promise<void> {
  await (await store())?.put('known', { batch, events }).catch(() => {});
}

export const rememberedEvents = async (batch: string): Promise<readonly BatchEvent[]> =>
  (await (await store())?.get('known', batch))?.events ?? [];
