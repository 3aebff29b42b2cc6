'use client';

import { useEffect, useRef, useSyncExternalStore } from 'react';
import type { BatchEvent } from '../../../core/batch/events';

/** What the server tells every station. */
export type News =
  | { readonly kind: 'told'; readonly batch: string; readonly event: BatchEvent | null }
  /** Something may have been missed: read anew. */
  | { readonly kind: 'again' }
  | { readonly kind: 'device'; readonly news: unknown }
  /** The connection to the server came or went. */
  | { readonly kind: 'line'; readonly up: boolean };

type Listener = (news: News) => void;

/** One stream for the whole page, open while anything listens. */
const listeners = new Set<Listener>();
let source: EventSource | null = null;
let up = true;

/** What devices there are, and whether their bridge is reached: told once, and again to whoever comes later. */
const standing = new Map<string, News>();

const tell = (news: News) => {
  const kind = news.kind === 'device' && (news.news as { kind?: unknown } | null)?.kind;
  if (kind === 'devices' || kind === 'bridge') standing.set(kind, news);
  for (const listener of listeners) listener(news);
};

const line = (now: boolean) => {
  if (now === up) return;
  up = now;
  tell({ kind: 'line', up });
};

/** Tells the page that a request failed or came through, sooner than the stream notices. */
export const lineIs = line;

const parsed = (data: string): unknown => {
  try {
    return JSON.parse(data);
  } catch {
    return null;
  }
};

function open(): void {
  if (source && source.readyState !== EventSource.CLOSED) return;
  const s = new EventSource('/api/live');
  source = s;
  s.onopen = () => line(true);
  s.onerror = () => {
    line(false);
    // A stream the server ended for good is not taken up again by itself.
    if (s.readyState === EventSource.CLOSED && source === s)
      setTimeout(() => listeners.size > 0 && source === s && open(), 2000);
  };
  s.addEventListener('told', (e) => {
    const body = parsed((e as MessageEvent<string>).data) as {
      batch: string;
      event: BatchEvent | null;
    } | null;
    if (body) tell({ kind: 'told', ...body });
  });
  s.addEventListener('again', () => tell({ kind: 'again' }));
  s.addEventListener('device', (e) =>
    tell({ kind: 'device', news: parsed((e as MessageEvent<string>).data) }),
  );
}

function listen(listener: Listener): () => void {
  listeners.add(listener);
  open();
  for (const kind of ['bridge', 'devices']) {
    const news = standing.get(kind);
    if (news) listener(news);
  }
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    source?.close();
    source = null;
  };
}

/** Calls `heard` with all the server tells, as long as the component stands. */
export function useNews(heard: Listener): void {
  const latest = useRef(heard);
  useEffect(() => {
    latest.current = heard;
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
