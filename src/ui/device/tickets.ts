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

/** The tickets after some changed: `order` names all there are. False where one of those is neither known nor told. */
export function moveTickets(
  { order, tickets }: { readonly order: readonly string[]; readonly tickets: readonly Ticket[] },
  first: readonly Ticket[],
): boolean {
  const known = new Map([...(latest ?? first), ...tickets].map((t) => [t.id, t]));
  tellTickets(order.flatMap((id) => known.get(id) ?? []));
  return order.every((id) => known.has(id));
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
