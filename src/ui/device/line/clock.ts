'use client';

import { useSyncExternalStore } from 'react';

/**
 * The one clock all stations go by, the server’s. This device’s own may be minutes off, and be set while a page
 * is open: how far it stands from the server’s is measured with each exchange.
 */

/** On the device, so that a page opened while the server is away still knows. */
const KEPT = 'panache.clock';

/** From this far off, ms, it is said on the screen. */
const SAID_FROM = 3000;

/** A measurement this much surer, or this much newer, ms, takes the place of the one before. */
const HOLDS = 60_000;

export type Offset = {
  /** ms this device’s clock is ahead of the server’s. */
  readonly ms: number;
  /** Half the exchange it was measured in, ms: it is not further off than this. */
  readonly error: number;
  /** ms by this device’s clock when it was measured. */
  readonly at: number;
};

/**
 * What is known of the offset after an exchange that left at `sent` and came back at `got` (ms by this device), and in which the
 * server’s clock showed `server`. The surer one stays, unless it is old or cannot be true any more.
 */
export function measuredIn(
  known: Offset | null,
  { sent, got, server }: { readonly sent: number; readonly got: number; readonly server: number },
): Offset | null {
  const error = (got - sent) / 2;
  // The clock was set, or the device slept, while it was under way.
  if (!(error >= 0 && error < 30_000) || !Number.isFinite(server)) return known;
  const next: Offset = { ms: Math.round((sent + got) / 2 - server), error, at: got };
  if (!known || error <= known.error || got - known.at > HOLDS || got < known.at) return next;
  // Further apart than both can be wrong: the device’s clock was set since.
  return Math.abs(next.ms - known.ms) > error + known.error ? next : known;
}

let offset: Offset | null = null;
const listeners = new Set<() => void>();

const change = (to: Offset | null) => {
  if (to === offset) return;
  offset = to;
  try {
    if (to) localStorage.setItem(KEPT, JSON.stringify(to));
  } catch {
    // Storage can be forbidden: then it is known as long as the page is.
  }
  for (const listener of listeners) listener();
};

let read = false;
function known(): Offset | null {
  if (!read && typeof localStorage !== 'undefined') {
    read = true;
    try {
      const kept = JSON.parse(localStorage.getItem(KEPT) ?? 'null') as Offset | null;
      if (kept && Number.isFinite(kept.ms)) offset = { ...kept, error: 30_000, at: 0 };
    } catch {
      // What cannot be read is measured anew.
    }
  }
  return offset;
}

/** ms by the server’s clock, now. */
export const kitchenNow = (): number => Date.now() - (known()?.ms ?? 0);

/** ms this device’s clock is ahead; undefined while nobody has measured it. */
export const clockMs = (): number | undefined => known()?.ms;

/** Takes in what an exchange says of the clock. */
export const heardClock = (exchange: { sent: number; got: number; server: number }): void =>
  change(measuredIn(known(), exchange));

/** A `fetch` that measures the clock by the way. */
export async function timed(url: string, init?: RequestInit): Promise<Response> {
  const sent = Date.now();
  const response = await fetch(url, init);
  const server = Number(response.headers.get('x-panache-now') ?? Number.NaN);
  if (Number.isFinite(server)) heardClock({ sent, got: Date.now(), server });
  return response;
}

/** Measures the clock. The answer is read to its end: what is left of it would hold one of the browser’s few lines to the server. */
export const measureClock = (): void =>
  void timed('/api/clock')
    .then((response) => response.text())
    .catch(() => {});

/** ms the clock may stray from the page’s own count before it counts as set. */
const STRAYED = 1500;
let last: { date: number; count: number } | null = null;

/** Looks whether this device’s clock was set since the last look, and measures it anew if so. Called every second. */
export function watchClock(): void {
  const now = { date: Date.now(), count: performance.now() };
  const strayed = last && Math.abs(now.date - last.date - (now.count - last.count)) > STRAYED;
  last = now;
  if (!strayed) return;
  // What was measured with the clock as it was says nothing of it now.
  if (offset) offset = { ...offset, error: 30_000, at: 0 };
  measureClock();
}

/** How far this device’s clock is off, ms, when that is worth saying; else null. */
export const useClockOff = (): number | null =>
  useSyncExternalStore(
    (changed) => {
      listeners.add(changed);
      return () => listeners.delete(changed);
    },
    () => {
      const ms = known()?.ms ?? 0;
      return Math.abs(ms) >= SAID_FROM ? Math.round(ms / 1000) * 1000 : null;
    },
    () => null,
  );
