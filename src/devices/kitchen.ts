import { createParser } from 'eventsource-parser';
import type { BatchEvent } from '../core/batch/events';
import type { Batch } from '../core/batch/record';
import type { Lot } from '../core/keep/lot';
import type { SimulatedBench } from './bench';
import type { BridgeKitchen } from './bridge';
import type { KeptThing } from './keptTruth';

/** What is said of a ticket here. */
type Ticketed = { readonly id: string; readonly kept?: true; readonly probe?: string };

/** ms after which a line that broke is tried again, and after the last word of it that it counts as broken. */
const AGAIN = 1000;
const SILENT = 20_000;

/**
 * The kitchen of the application at `app`, as the bench stands in for its devices: read once, and then moved by what the
 * application tells its stations.
 */
export function kitchenAt(app: string, bench: SimulatedBench): BridgeKitchen {
  const get = async <T>(path: string): Promise<T> => {
    const response = await fetch(app + path);
    if (!response.ok) throw new Error(`${path} answered ${response.status}`);
    return (await response.json()) as T;
  };
  const put = async (id: string) => bench.put(await get<Batch>(`/api/batches/${id}`));
  /** Only what somebody has put a probe into is asked for. */
  const keep = async (probes: boolean) => {
    if (!probes) return bench.keep([]);
    const { lots, house } = await get<{ lots: readonly Lot[]; house: KeptThing['house'] }>('/api/keep');
    bench.keep(lots.map((lot) => ({ lot, house })));
  };

  let tickets: ReadonlyMap<string, Ticketed> = new Map();
  const taken = async (all: readonly Ticketed[], anew: boolean) => {
    tickets = new Map(all.map((t) => [t.id, t]));
    for (const { id, kept } of all) if (!kept && (anew || !bench.has(id))) await put(id);
    bench.forget(new Set(tickets.keys()));
  };
  const probes = () => [...tickets.values()].some((t) => t.probe);
  const refresh = async () => {
    await taken(await get<readonly Ticketed[]>('/api/rail'), true);
    await keep(probes());
  };

  /** What the application tells is taken in one after the other. */
  let work = Promise.resolve();
  const then = (next: () => Promise<void> | void) => {
    // The application may be starting, or gone for a while: what was known stays.
    work = work.then(next).catch(() => {});
  };
  const told = (name: string, data: string) => {
    if (name === 'again') return then(refresh);
    if (name === 'keep') return then(() => (probes() ? keep(true) : undefined));
    if (name === 'told') {
      const { batch, event } = JSON.parse(data) as { batch: string; event: BatchEvent | null };
      return then(async () => {
        const isTaken = event !== null && bench.tap(batch, event);
        if (!isTaken && tickets.has(batch)) await put(batch);
      });
    }
    if (name !== 'ticket') return;
    const news = JSON.parse(data) as { order: readonly string[]; tickets: readonly Ticketed[] };
    then(async () => {
      const had = probes();
      const known = new Map([...tickets, ...news.tickets.map((t) => [t.id, t] as const)]);
      await taken(
        news.order.flatMap((id) => known.get(id) ?? []),
        false,
      );
      if (had || probes()) await keep(probes());
    });
  };

  let following: AbortController | null = null;
  const follow = async (stop: AbortController) => {
    while (!stop.signal.aborted) {
      const line = new AbortController();
      const give = () => line.abort();
      stop.signal.addEventListener('abort', give);
      let silent = setTimeout(give, SILENT);
      try {
        // Not as a station: it hears nothing of devices, it tells of them.
        const response = await fetch(`${app}/api/live?devices=no`, { signal: line.signal });
        if (!response.ok || !response.body) throw new Error(`the application answered ${response.status}`);
        const parser = createParser({ onEvent: ({ event, data }) => told(event ?? 'message', data) });
        const text = response.body.pipeThrough(new TextDecoderStream()).getReader();
        for (let piece = await text.read(); !piece.done; piece = await text.read()) {
          clearTimeout(silent);
          silent = setTimeout(give, SILENT);
          parser.feed(piece.value);
        }
      } catch {
        // The application may be starting, or gone for a while: what was known stays.
      } finally {
        clearTimeout(silent);
        stop.signal.removeEventListener('abort', give);
      }
      if (!stop.signal.aborted) await new Promise((r) => setTimeout(r, AGAIN));
    }
  };
  return {
    refresh: () => {
      const done = work.then(refresh);
      work = done.catch(() => {});
      return done;
    },
    attend: () => {
      if (following) return;
      following = new AbortController();
      void follow(following);
    },
    leave: () => {
      following?.abort();
      following = null;
    },
  };
}
