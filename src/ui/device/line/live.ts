'use client';

import { useEffect, useRef, useSyncExternalStore } from 'react';
import type { BatchEvent } from '../../../core/batch/events';
import type { Ticket } from '../../../core/batch/ticket';
import { ask } from './api';
import { heardClock } from './clock';
import { type Lead, waitToLead } from './leader';

/** What the server tells every station. */
type News =
  | { readonly kind: 'told'; readonly batch: string; readonly event: BatchEvent | null }
  /** A service was saved. */
  | { readonly kind: 'service'; readonly service: string; readonly revision: number }
  /** Something kept has a new line. */
  | { readonly kind: 'keep'; readonly keep: string }
  /** The rail: tickets that changed, and the ids of all there are in their order; the head of the record now and then. */
  | ({ readonly kind: 'ticket' } & RailNews)
  /** Something may have been missed: read anew. */
  | { readonly kind: 'again' }
  | { readonly kind: 'device'; readonly news: unknown }
  /** The connection to the server came or went. */
  | { readonly kind: 'line'; readonly up: boolean };

type RailNews = {
  readonly order: readonly string[];
  readonly tickets: readonly Ticket[];
  readonly head?: string;
};

type Listener = (news: News) => void;

/** ms of silence after which the line counts as dead: the server gives a sign of life every eight seconds. */
const SILENT = 17_000;
/** ms a follower waits beyond that before it takes the lead from a page that is stuck. */
const STUCK = 24_000;
const LOOK = 1000;

const listeners = new Set<Listener>();
let source: EventSource | null = null;
let channel: BroadcastChannel | null = null;
let lead: Lead | null = null;
let leads = false;
let up = true;
/** ms by the page’s own count when anything was last heard, of the server or of the page that leads. */
let heard = 0;
let watch: ReturnType<typeof setInterval> | undefined;

/** What devices there are, whether their bridge is reached, and the whole rail: told once, and again to whoever comes later. */
const standing = new Map<string, News>();

/** To this page. */
const tell = (news: News) => {
  if (news.kind === 'line') {
    if (news.up === up) return;
    up = news.up;
  }
  const kind = news.kind === 'device' && (news.news as { kind?: unknown } | null)?.kind;
  if (kind === 'devices' || kind === 'bridge') standing.set(kind, news);
  if (news.kind === 'ticket') standing.set('ticket', railNow(news));
  for (const listener of listeners) listener(news);
};

/** The whole rail after `news`. */
function railNow(news: News & { readonly kind: 'ticket' }): News {
  const before = standing.get('ticket');
  const known = new Map(
    [...(before?.kind === 'ticket' ? before.tickets : []), ...news.tickets].map((t) => [t.id, t]),
  );
  return { ...news, tickets: news.order.flatMap((id) => known.get(id) ?? []) };
}

/** What pages of one browser say to each other: news from the one that leads, and a newcomer’s question. */
type TabMessage = { readonly news: News } | { readonly alive: true } | { readonly whatStands: true };

/** To all pages of this browser. */
const tellAll = (news: News) => {
  tell(news);
  channel?.postMessage({ news } satisfies TabMessage);
};

/** Tells the page that a request failed or came through, sooner than the stream notices. */
export const lineIs = (now: boolean): void => tell({ kind: 'line', up: now });

const parsed = (data: string): unknown => {
  try {
    return JSON.parse(data);
  } catch {
    return null;
  }
};
const dataOf = (e: Event): unknown => parsed((e as MessageEvent<string>).data);

/** A station whose key was taken away shows nothing of the kitchen any more. */
async function leaveIfUnknown(): Promise<void> {
  const answer = await ask('GET /api/stations/me', {});
  if (answer.ok && answer.body.kind === 'stranger') location.assign('/pair');
}

function open(): void {
  source?.close();
  const s = new EventSource('/api/live');
  source = s;
  heard = performance.now();
  const here = () => {
    heard = performance.now();
  };
  s.onerror = () => {
    tellAll({ kind: 'line', up: false });
    void leaveIfUnknown();
    // A stream the server ended for good, or would not open, is not taken up again by itself.
    if (s.readyState === EventSource.CLOSED && source === s)
      setTimeout(() => leads && source === s && open(), 2000);
  };
  s.addEventListener('alive', (e) => {
    here();
    const { now, telling } = (dataOf(e) ?? {}) as { now?: number; telling?: boolean };
    if (typeof now === 'number') {
      // One way only: how long it was under way nobody knows, half a second at the most.
      const got = Date.now();
      heardClock({ sent: got - 600, got, server: now });
    }
    channel?.postMessage({ alive: true } satisfies TabMessage);
    // The server is there; what is written elsewhere it may not hear of yet.
    tellAll({ kind: 'line', up: telling !== false });
  });
  s.addEventListener('told', (e) => {
    here();
    const body = dataOf(e) as { batch: string; event: BatchEvent | null } | null;
    if (body) tellAll({ kind: 'told', ...body });
  });
  s.addEventListener('ticket', (e) => {
    here();
    const body = dataOf(e) as RailNews | null;
    if (body) tellAll({ kind: 'ticket', ...body });
  });
  s.addEventListener('service', (e) => {
    here();
    const body = dataOf(e) as { service: string; revision: number } | null;
    if (body) tellAll({ kind: 'service', ...body });
  });
  s.addEventListener('keep', (e) => {
    here();
    const body = dataOf(e) as { keep: string } | null;
    if (body) tellAll({ kind: 'keep', keep: body.keep });
  });
  s.addEventListener('again', () => {
    here();
    tellAll({ kind: 'again' });
  });
  s.addEventListener('device', (e) => {
    here();
    tellAll({ kind: 'device', news: dataOf(e) });
  });
}

function look(): void {
  const silent = performance.now() - heard;
  if (silent < SILENT) return;
  tell({ kind: 'line', up: false });
  if (leads) open();
  else if (silent > STUCK && document.visibilityState === 'visible') {
    heard = performance.now();
    lead?.steal();
  }
}

function begin(): void {
  heard = performance.now();
  channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('panache-live');
  if (channel)
    channel.onmessage = ({ data }: MessageEvent<TabMessage>) => {
      if ('whatStands' in data) {
        if (!leads) return;
        for (const news of standing.values()) channel?.postMessage({ news } satisfies TabMessage);
        channel?.postMessage({ news: { kind: 'line', up } } satisfies TabMessage);
        return;
      }
      heard = performance.now();
      if ('news' in data && !leads) tell(data.news);
    };
  lead = waitToLead(
    () => {
      leads = true;
      open();
    },
    () => {
      leads = false;
      source?.close();
      source = null;
    },
  );
  // Where another page leads, it says what stands; what was told before is read anew.
  channel?.postMessage({ whatStands: true } satisfies TabMessage);
  watch = setInterval(look, LOOK);
}

function end(): void {
  clearInterval(watch);
  leads = false;
  source?.close();
  source = null;
  lead?.give();
  lead = null;
  channel?.close();
  channel = null;
}

function listen(listener: Listener): () => void {
  listeners.add(listener);
  if (listeners.size === 1) begin();
  for (const kind of ['bridge', 'devices', 'ticket']) {
    const news = standing.get(kind);
    if (news) listener(news);
  }
  return () => {
    listeners.delete(listener);
    if (listeners.size === 0) end();
  };
}

/** Calls `heard` with all the server tells, as long as the component stands. */
export function useNews(onNews: Listener): void {
  const latest = useRef(onNews);
  useEffect(() => {
    latest.current = onNews;
  });
  useEffect(() => listen((news) => latest.current(news)), []);
}

/** Whether the server is there. */
export const useLine = (): boolean =>
  useSyncExternalStore(
    (changed) => listen((news) => news.kind === 'line' && changed()),
    () => up,
    () => true,
  );
