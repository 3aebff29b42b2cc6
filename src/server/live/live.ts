import { Socket } from 'node:net';
import pg from 'pg';
import { BatchEvent } from '../../core/batch/events';
import { directUrl, limited, pool } from '../data/database';
import { inKitchen } from '../guard/asking';
import { away, back } from '../log';
import { readEvent } from '../queries/batches';

/** What is told to everyone who listens: an event of a batch, or only that there is something new about it. */
type ToldEvent = { readonly batch: string; readonly event: BatchEvent | null };

/** A service that was saved. */
type ToldService = { readonly service: string; readonly revision: number };

/** Something kept that has a new line, or “kitchen”. */
type ToldKept = { readonly keep: string; readonly seq: number };

/** All that is told. */
export type LiveTold = ToldEvent | ToldService | ToldKept | 'again';
type Listener = (told: LiveTold, kitchen: string) => void;
type Listening = { readonly to: string | null; readonly listener: Listener };

/** One listening connection a process, made when somebody first listens. */
type Hub = { readonly listeners: Set<Listening>; client: pg.Client | null; waiting: boolean };
const holder = globalThis as typeof globalThis & { panacheHub?: Hub };
holder.panacheHub ??= { listeners: new Set(), client: null, waiting: false };
const hub = holder.panacheHub;

const AGAIN = 500;

/** Tells those who listen to a kitchen; all, where nobody knows which it is about. */
const tell = (told: LiveTold, kitchen: string | null) => {
  for (const { to, listener } of hub.listeners)
    if (kitchen === null || to === null || to === kitchen) listener(told, kitchen ?? to ?? '');
};

/** Of which kitchen a notification is; null where it does not say. */
function kitchenOf(payload: string): string | null {
  const { kitchen } = JSON.parse(payload) as { kitchen?: unknown };
  return typeof kitchen === 'string' ? kitchen : null;
}

/** A notification as it comes from the database; a long event is read by its number. */
async function read(payload: string): Promise<LiveTold> {
  const {
    kitchen: _of,
    batch,
    seq,
    again,
    service,
    revision,
    keep,
    ...event
  } = JSON.parse(payload) as {
    kitchen?: string;
    batch: string;
    seq: number;
    again?: boolean;
    service?: string;
    revision?: number;
    keep?: string;
  };
  if (service !== undefined) return { service, revision: revision ?? 0 };
  if (keep !== undefined) return { keep, seq };
  // An archive was taken in: too much to tell line by line.
  if (again) return 'again';
  if (seq === 0) return { batch, event: null };
  const known = BatchEvent.safeParse(event);
  return { batch, event: known.success ? known.data : await readEvent(pool(), batch, seq) };
}

/** ms between two questions to the listening line, and how long its answer may take: a line cut silently is heard of by that alone. */
const HEARTBEAT = 5000;
const ANSWER = 3000;

async function connect(): Promise<void> {
  if (hub.client || hub.waiting || hub.listeners.size === 0) return;
  const socket = new Socket();
  const client = new pg.Client({
    stream: () => socket,
    ...limited(directUrl(), 'taps'),
    query_timeout: ANSWER,
    application_name: 'panache live',
  });
  hub.client = client;
  let beat: ReturnType<typeof setInterval> | undefined;
  const lost = (error?: unknown) => {
    clearInterval(beat);
    if (hub.client !== client) return;
    hub.client = null;
    if (error) away('live line to the database', error);
    // It may never answer to being ended: nobody waits for that.
    client.end().catch(() => {});
    socket.destroy();
    if (hub.listeners.size === 0 || hub.waiting) return;
    hub.waiting = true;
    setTimeout(() => {
      hub.waiting = false;
      void connect();
    }, AGAIN);
  };
  client.on('error', lost);
  client.on('end', () => lost());
  client.on('notification', ({ payload }) => {
    const of = kitchenOf(payload ?? '{}');
    inKitchen(of ?? '', () => read(payload ?? '{}')).then(
      (told) => tell(told, of),
      // What could not be read is read anew by whoever it is for.
      () => tell('again', of),
    );
  });
  try {
    await client.connect();
    await client.query('LISTEN panache');
    back('live line to the database');
    beat = setInterval(() => void client.query('SELECT 1').catch(lost), HEARTBEAT);
    beat.unref();
    // What was told while nobody listened is read anew.
    tell('again', null);
  } catch (error) {
    lost(error);
  }
}

/** Whether what is written is told: a line that listens, or nobody who would hear it. */
export const isListening = (): boolean => hub.listeners.size === 0 || (hub.client !== null && !hub.waiting);

/**
 * Calls `listener` with every event of `kitchen` written by any process, and with “again” whenever some may have been missed; of all
 * kitchens where that is null, with which it is: empty where it may be any. Returns the way to stop.
 */
export function listen(kitchen: string | null, listener: Listener): () => void {
  const listening = { to: kitchen, listener };
  hub.listeners.add(listening);
  if (hub.client) listener('again', kitchen ?? '');
  else void connect();
  return () => {
    hub.listeners.delete(listening);
    if (hub.listeners.size > 0 || !hub.client) return;
    const { client } = hub;
    hub.client = null;
    client.end().catch(() => {});
  };
}
