'use client';

import { readyAt, type Ticket } from '../../core/batch/ticket';
import type { Live } from '../../core/service/arrange/jobs';
import type { Service } from '../../core/service/service';
import { useTickets } from '../device/tickets';

/** Midnight of a day on this station's clock, ms. */
export const midnightOf = (day: string): number => new Date(`${day}T00:00:00`).getTime();

/** Minutes since midnight of `day`. */
export const minuteOf = (day: string, at: number): number => (at - midnightOf(day)) / 60_000;

/** How the batches of a service that were started go at `now` (ms), by the model and what was read; empty until that is known. */
export function useLive(
  service: Service,
  first: readonly Ticket[],
  now: number | null,
): Readonly<Record<string, Live>> {
  const tickets = useTickets(first);
  const live: Record<string, Live> = {};
  for (const [key, id] of Object.entries(service.started)) {
    const ticket = tickets.find((t) => t.id === id);
    const place = service.placed[key];
    const lit = ticket
      ? Math.floor(minuteOf(service.day, Date.parse(ticket.startedAt)))
      : (place?.lightAt ?? 0);
    live[key] = {
      lightAt: lit,
      readyAt: ticket ? Math.ceil(minuteOf(service.day, readyAt(ticket, now ?? 0))) : lit,
      finished: ticket ? ticket.finished : true,
      over: !ticket,
    };
  }
  return live;
}
