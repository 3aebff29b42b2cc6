import { Socket } from 'node:net';
import pg from 'pg';
import { BatchEvent } from '../../core/batch/events';
import { limited, pool } from '../data/database';
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
type Listener = (told: LiveTold) => void;

/** One listening connection a process, made when somebody first listens. */
type Hub = { readonly listeners: Set<Listener>; client: pg.Client | null; waiting: boolean };
const holder = globalThis as typeof globalThis & { panacheHub?: Hub };
holder.panacheHub ??= { listeners: new Set(), client: null, waiting: false };
const hub = holder.panacheHub;

const AGAIN = 500;

const tell = (told: LiveTold) => {
  for (const listener of hub.listeners) listener(told);
};

/** A notification as it comes from the database; a long event is read by its number. */
async function read(payload: string): Promise<LiveTold> {
  const { batch, seq, again, service, revision, keep, ...event } = JSON.parse(payload) as {
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
    ...limited(process.env.DATABASE_URL ?? '', 'taps'),
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
    read(payload ?? '{}').then(
      tell,
      // What could not be read is read anew by whoever it is for.
      () => tell('again'),
    );
  });
  try {
    await client.connect();
    await client.query('LISTEN panache');
    back('live line to the database');
    beat = setInterval(() => void client.query('SELECT 1').catch(lost), HEARTBEAT);
    beat.unref();
    // What was told while nobody listened is read anew.
    tell('again');
  } catch (error) {
    lost(error);
  }
}

/** Whether what is written is told: a line that listens, or nobody who would hear it. */
export const isListening = (): boolean => hub.listeners.size === 0 || (hub.client !== null && !hub.waiting);

/**
 * Calls `listener` with every event written by any process, and with “again” whenever some may have been missed.
 * Returns the way to stop.
 */
export function listen(listener: Listener): () => void {
  hub.listeners.add(listener);
  if (hub.client) listener('again');
  else void connect();
  return () => {
    hub.listeners.delete(listener);
    if (hub.listeners.size > 0 || !hub.client) return;
    const { client } = hub;
    hub.client = null;
    client.end().catch(() => {});
  };
}
