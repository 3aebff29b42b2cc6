import { createParser } from 'eventsource-parser';
import * as z from 'zod';
import { askedKitchen, ownKitchen } from '../guard/asking';

/** A device as a bridge lists it. */
const Device = z.object({
  id: z.string().min(1).max(60),
  kind: z.enum(['thermometer', 'scale', 'flow timer']),
  name: z.string().min(1).max(60),
  unit: z.enum(['°C', 'g', 's']),
});
export type Device = z.infer<typeof Device>;

const Reading = z.object({
  device: z.string().min(1).max(60),
  value: z.number(),
  unit: z.enum(['°C', 'g', 's']),
});

/** What a device of the kitchen can show; anything else is a fault of it. */
const POSSIBLE = { '°C': [-50, 350], g: [-10_000, 500_000], s: [0, 3600] } as const;

export type DeviceNews =
  | { readonly kind: 'devices'; readonly devices: readonly Device[] }
  | { readonly kind: 'reading'; readonly device: string; readonly value: number; readonly unit: string }
  | { readonly kind: 'fault'; readonly device: string; readonly says: string }
  | { readonly kind: 'bridge'; readonly state: 'none' | 'reached' | 'lost' };

/** No device is heard more often than this, ms: the newest of a flood is kept. */
const APART = 250;
/** More readings a second than this are a flood. */
const FLOOD = 40;

const shown = (text: string): string => (text.length > 40 ? `${text.slice(0, 39)}…` : text);

/** One line of a bridge's stream: a list of devices, a reading that can be, or what is wrong with it. */
export function heard(event: string, data: string): DeviceNews | null {
  let body: unknown;
  try {
    body = JSON.parse(data);
  } catch {
    return { kind: 'fault', device: '', says: `sends what is not JSON: “${shown(data)}”` };
  }
  if (event === 'devices') {
    const list = z.array(Device).max(200).safeParse(body);
    return list.success
      ? { kind: 'devices', devices: list.data }
      : { kind: 'fault', device: '', says: 'sends a list of devices that cannot be read' };
  }
  if (event !== 'reading') return null;
  const reading = Reading.safeParse(body);
  const device = z.object({ device: z.string().max(60) }).safeParse(body).data?.device ?? '';
  if (!reading.success) return { kind: 'fault', device, says: `sends what cannot be read: ${shown(data)}` };
  const { value, unit } = reading.data;
  const [low, high] = POSSIBLE[unit];
  if (value < low || value > high)
    return { kind: 'fault', device, says: `sends what cannot be: ${value} ${unit}` };
  return { kind: 'reading', device, value, unit };
}

type Seen = { at: number; waiting: DeviceNews | null; count: number; second: number; flooded: boolean };

/** Passes news on, thinned: each device at most every quarter of a second, its newest reading. */
export function thinned(pass: (news: DeviceNews) => void, now: () => number) {
  const seen = new Map<string, Seen>();
  return {
    take(news: DeviceNews): void {
      if (news.kind !== 'reading' && news.kind !== 'fault') {
        pass(news);
        return;
      }
      const at = now();
      const key = `${news.kind} ${news.device}`;
      const s = seen.get(key) ?? { at: 0, waiting: null, count: 0, second: 0, flooded: false };
      seen.set(key, s);
      if (Math.floor(at / 1000) !== s.second)
        [s.second, s.count, s.flooded] = [Math.floor(at / 1000), 0, false];
      s.count++;
      if (news.kind === 'reading' && s.count > FLOOD && !s.flooded) {
        s.flooded = true;
        pass({ kind: 'fault', device: news.device, says: `floods: over ${FLOOD} readings a second` });
      }
      if (at - s.at >= APART) {
        s.at = at;
        s.waiting = null;
        pass(news);
      } else s.waiting = news;
    },
    /** Passes on what has waited long enough. */
    settle(): void {
      for (const s of seen.values()) {
        if (!s.waiting || now() - s.at < APART) continue;
        const { waiting } = s;
        [s.at, s.waiting] = [now(), null];
        pass(waiting);
      }
    },
  };
}

type Listener = (news: DeviceNews) => void;
type Hub = {
  readonly listeners: Set<Listener>;
  stop: (() => void) | null;
  devices: readonly Device[];
  state: 'none' | 'reached' | 'lost';
};
const holder = globalThis as typeof globalThis & { panacheDevices?: Hub };
holder.panacheDevices ??= { listeners: new Set(), stop: null, devices: [], state: 'lost' };
const hub = holder.panacheDevices;

/** Where the kitchen's device bridge answers; null without one. It stands where this machine does, and hears no other kitchen’s pots. */
export const bridgeUrl = (): string | null =>
  askedKitchen() === ownKitchen() ? process.env.DEVICES_URL || null : null;

const AGAIN = 1500;

const pass = (news: DeviceNews) => {
  if (news.kind === 'devices') hub.devices = news.devices;
  if (news.kind === 'bridge') hub.state = news.state;
  for (const listener of hub.listeners) listener(news);
};

/** Longest line of a bridge that is kept, characters: one that never ends is no line. */
const LONGEST = 1e6;

/** A server-sent stream as (event, data). */
export async function* eventsOf(
  stream: AsyncIterable<Uint8Array>,
): AsyncGenerator<readonly [string, string]> {
  const text = new TextDecoder();
  const told: (readonly [string, string])[] = [];
  const parser = createParser({
    onEvent: ({ event, data }) => told.push([event ?? 'message', data]),
    maxBufferSize: LONGEST,
  });
  for await (const chunk of stream) {
    parser.feed(text.decode(chunk, { stream: true }));
    yield* told.splice(0);
  }
}

function attend(url: string): () => void {
  const stopped = new AbortController();
  const thin = thinned(pass, Date.now);
  const settling = setInterval(() => thin.settle(), APART);
  const run = async () => {
    while (!stopped.signal.aborted) {
      try {
        const response = await fetch(`${url}/events`, { signal: stopped.signal });
        if (!response.ok || !response.body) throw new Error(`the bridge answered ${response.status}`);
        pass({ kind: 'bridge', state: 'reached' });
        for await (const [event, data] of eventsOf(response.body)) {
          const news = heard(event, data);
          if (news) thin.take(news);
        }
      } catch {
        // Said below: a bridge that is off is no error of ours.
      }
      if (stopped.signal.aborted) return;
      pass({ kind: 'bridge', state: 'lost' });
      await new Promise((r) => setTimeout(r, AGAIN));
    }
  };
  void run();
  return () => {
    clearInterval(settling);
    stopped.abort();
  };
}

/** Calls `listener` with what the kitchen's devices send, beginning with what is known. Returns the way to stop. */
export function listenToDevices(listener: Listener): () => void {
  const url = bridgeUrl();
  if (!url) {
    listener({ kind: 'bridge', state: 'none' });
    return () => {};
  }
  hub.listeners.add(listener);
  if (hub.stop) {
    listener({ kind: 'bridge', state: hub.state });
    listener({ kind: 'devices', devices: hub.devices });
  } else hub.stop = attend(url);
  return () => {
    hub.listeners.delete(listener);
    if (hub.listeners.size > 0) return;
    hub.stop?.();
    hub.stop = null;
  };
}
