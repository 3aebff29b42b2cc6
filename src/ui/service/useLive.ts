'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Ticket } from '../../core/batch/ticket';
import type { Live } from '../../core/service/arrange/jobs';
import type { Service } from '../../core/service/service';
import { timed } from '../station/line/clock';
import { useNews } from '../station/line/live';

/** ms between two looks, and at the least. */
const EVERY = 20_000;
const AT_MOST = 700;

/** Midnight of a day on this station's clock, ms. */
export const midnightOf = (day: string): number => new Date(`${day}T00:00:00`).getTime();

/** Minutes since midnight of `day`. */
export const minuteOf = (day: string, at: number): number => (at - midnightOf(day)) / 60_000;

/** How the batches of a service that were started go, by the model and what was read; empty until that is known. */
export function useLive(service: Service, first: readonly Ticket[]): Readonly<Record<string, Live>> {
  const [tickets, setTickets] = useState(first);
  const waiting = useRef<ReturnType<typeof setTimeout>>(undefined);
  const last = useRef(0);
  const refresh = useCallback(() => {
    if (waiting.current) return;
    waiting.current = setTimeout(
      async () => {
        waiting.current = undefined;
        last.current = performance.now();
        const response = await timed('/api/rail').catch(() => null);
        if (response?.ok) setTickets(await response.json());
      },
      Math.max(0, AT_MOST - (performance.now() - last.current)),
    );
  }, []);
  useNews((news) => {
    if (news.kind === 'told' || news.kind === 'again' || news.kind === 'service') refresh();
  });
  useEffect(() => {
    const timer = setInterval(refresh, EVERY);
    return () => {
      clearInterval(timer);
      clearTimeout(waiting.current);
      waiting.current = undefined;
    };
  }, [refresh]);
  const live: Record<string, Live> = {};
  for (const [key, id] of Object.entries(service.started)) {
    const ticket = tickets.find((t) => t.id === id);
    const place = service.placed[key];
    const lit = ticket
      ? Math.floor(minuteOf(service.day, Date.parse(ticket.startedAt)))
      : (place?.lightAt ?? 0);
    live[key] = {
      lightAt: lit,
      readyAt: ticket ? Math.ceil(minuteOf(service.day, Date.parse(ticket.readyAt))) : lit,
      finished: ticket ? ticket.finished : true,
      over: !ticket,
    };
  }
  return live;
}
