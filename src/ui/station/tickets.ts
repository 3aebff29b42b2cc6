import { useSyncExternalStore } from 'react';
import type { Ticket } from '../../core/batch/ticket';

/** Tickets of the live pots as the rail last read them, for every view beside it; null before it has. */
let latest: readonly Ticket[] | null = null;
const listeners = new Set<() => void>();

/** What the rail has read. */
export function tellTickets(tickets: readonly Ticket[]): void {
  latest = tickets;
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** The tickets the rail last read; `first`, as the page came with, before it has. */
export const useTickets = (first: readonly Ticket[]): readonly Ticket[] =>
  useSyncExternalStore(
    subscribe,
    () => latest,
    () => null,
  ) ?? first;
