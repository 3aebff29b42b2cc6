import pg from 'pg';
import { BatchEvent } from '../core/batch/events';
import { pool } from './database';
import { readEvent } from './queries/batches';

/** What is told to everyone who listens: an event of a batch, or only that there is something new about it. */
export type Told = { readonly batch: string; readonly event: BatchEvent | null };

type Listener = (told: Told | 'again') => void;

/** One listening connection a process, made when somebody first listens. */
type Hub = { readonly listeners: Set<Listener>; client: pg.Client | null; waiting: boolean };
const holder = globalThis as typeof globalThis & { panacheHub?: Hub };
holder.panacheHub ??= { listeners: new Set(), client: null, waiting: false };
const hub = holder.panacheHub;

const AGAIN = 500;

const tell = (told: Told | 'again') => {
  for (const listener of hub.listeners) listener(told);
};

/** A notification as it comes from the database; a long event is read by its number. */
async function read(payload: string): Promise<Told | null> {
  const { batch, seq, ...event } = JSON.parse(payload) as { batch: string; seq: number };
  if (seq === 0) return { batch, event: null };
  const known = BatchEvent.safeParse(event);
  return { batch, event: known.success ? known.data : await readEvent(pool(), seq) };
}

async function connect(): Promise<void> {
  if (hub.client || hub.waiting || hub.listeners.size === 0) return;
  const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
  hub.client = client;
  const lost = () => {
    if (hub.client !== client) return;
    hub.client = null;
    client.end().catch(() => {});
    if (hub.listeners.size === 0 || hub.waiting) return;
    hub.waiting = true;
    setTimeout(() => {
      hub.waiting = false;
      void connect();
    }, AGAIN);
  };
  client.on('error', lost);
  client.on('end', lost);
  client.on('notification', ({ payload }) => {
    read(payload ?? '{}').then(
      (told) => told && tell(told),
      (error) => console.error(`live: ${error instanceof Error ? error.message : String(error)}`),
    );
  });
  try {
    await client.connect();
    await client.query('LISTEN panache');
    // What was told while nobody listened is read anew.
    tell('again');
  } catch {
    lost();
  }
}

/** Calls `listener` with every event written by any process, and with “again” whenever some may have been missed. Returns the way to stop. */
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
