'use client';

import { BellRing, Clock, CloudOff } from 'lucide-react';
import { usePathname } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { EventBody } from '../../../core/batch/events';
import type { Timer } from '../../../core/batch/state';
import type { Ticket } from '../../../core/batch/ticket';
import { countdown } from '../../../core/units/clock';
import { duration } from '../../../core/units/shown/format';
import { measureClock, timed, useClockOff } from '../../device/line/clock';
import { headIn, keepHead } from '../../device/line/heads';
import { useLine, useNews } from '../../device/line/live';
import { useRing } from '../../device/ring';
import { moveTickets, tellTickets, useTickets } from '../../device/tickets';
import { useNow } from '../../device/useNow';
import { useSay } from '../../shared/hooks/useSay';
import { insisting } from '../../shared/lazily';
import { TicketLink } from './TicketLink';
import { UndoButton } from './UndoButton';
import { urgentFirst } from './urgent';

/** ms without a word of the rail after which it is asked for: the server looks at every ticket three times a minute. */
const SILENT = 70_000;
/** ms until what a page before this one left waiting is taken up. */
const SOON = 600;

/** The tickets, as the server tells them; asked for where it has said nothing for long. */
function useFreshTickets(initial: readonly Ticket[]): readonly Ticket[] {
  const tickets = useTickets(initial);
  const heard = useRef(0);
  const read = useCallback(async () => {
    const response = await timed('/api/rail').catch(() => null);
    if (!response?.ok) return;
    heard.current = performance.now();
    tellTickets(await response.json());
    keepHead(headIn(response.headers.get('x-panache-head')));
  }, []);
  useNews((news) => {
    if (news.kind !== 'ticket') return;
    heard.current = performance.now();
    if (!moveTickets(news, initial)) void read();
    // Every station keeps where the record stood: by that an end cut off is found out.
    if (news.head) keepHead(headIn(news.head));
  });
  useEffect(() => {
    const timer = setInterval(() => {
      if (performance.now() - heard.current > SILENT) void read();
    }, SILENT / 2);
    // The clock is measured as soon as there is a page.
    measureClock();
    // What any page left waiting is sent from any page; it is fetched when there is time.
    const soon = setTimeout(() => void theOutbox().then((o) => o.beginOutbox()), SOON);
    return () => {
      clearInterval(timer);
      clearTimeout(soon);
    };
  }, [read]);
  const [stopped, setStopped] = useState<ReadonlySet<string>>(new Set());
  useEffect(() => {
    const onTap = (e: Event) => {
      const body = (e as CustomEvent<EventBody>).detail;
      if (body.kind === 'timer-stopped') setStopped((known) => new Set([...known, body.timer]));
    };
    window.addEventListener('panache:tapped', onTap);
    return () => window.removeEventListener('panache:tapped', onTap);
  }, []);
  // What was stopped here is quiet at once, server or no server.
  return tickets.map((t) => ({ ...t, timers: t.timers.filter((x) => !stopped.has(x.id)) }));
}

/** One ticket per live pot; the same on every view. Timers ring here, wherever one is. */
export function Rail({ initial }: { initial: readonly Ticket[] }) {
  const say = useSay();
  const tickets = useFreshTickets(initial);
  const up = useLine();
  const off = useClockOff();
  const path = usePathname();
  const now = useNow();
  const { row, fits: room } = useFits();
  // Few tickets have more room each; many never less than they are read at. Nothing moves once the room is known,
  // unless they are too many for it.
  const fits = Math.min(room ?? tickets.length, Math.max(1, tickets.length));
  const over = (at: number): boolean => now !== null && at <= now;
  const ringing = tickets.flatMap((t) =>
    t.timers.filter((x) => over(x.endsAt)).map((timer) => ({ timer, batch: t.id })),
  );
  // A step whose time is over rings once.
  const strokes = tickets.filter((t) => over(Date.parse(t.until))).length;
  useRing(ringing.length > 0, now === null ? 0 : strokes);

  return (
    <header className="flex h-16 shrink-0 items-stretch bg-rail text-on-rail print:hidden">
      <p className="flex w-23 shrink-0 items-center justify-center font-bold text-[20px] min-[720px]:w-36">
        Panache
      </p>
      {ringing.length > 0 && (
        <ul
          aria-label={say('Timers that ring')}
          className="flex max-w-[60vw] shrink-0 gap-2 overflow-x-auto pr-2 pb-2"
        >
          {ringing.map(({ timer, batch }) => (
            <li key={timer.id}>
              <Ringing timer={timer} batch={batch} now={now ?? timer.endsAt} />
            </li>
          ))}
        </ul>
      )}
      <ul
        ref={row}
        aria-label={say('Pots on the stove')}
        className="grid min-w-0 flex-1 snap-x snap-mandatory scroll-px-0 grid-flow-col gap-2 overflow-x-auto pb-2"
        style={{
          gridAutoColumns: `clamp(min(100%, ${room === null ? LEAST : 0}px), calc((100% - ${(fits - 1) * GAP}px) / ${fits}), 22rem)`,
        }}
      >
        {(now === null ? tickets : urgentFirst(tickets, now)).map((t) => (
          <li key={t.id} className="min-w-0 snap-start">
            <TicketLink ticket={t} here={path === `/stove/${t.id}`} now={now} />
          </li>
        ))}
      </ul>
      <UndoButton />
      {off !== null && (
        <p role="status" className="flex shrink-0 items-center gap-2 px-3 text-[15px] leading-tight">
          <Clock aria-hidden className="shrink-0" />
          <span>
            {say.rich('<b>This clock is {off, select, yes {fast} other {slow}}</b> by {abs}', {
              b: (text) => <b>{text}</b>,
              off: off > 0 ? 'yes' : 'no',
              abs: duration(Math.abs(off) / 1000),
            })}
            <br />
            {say('times here go by the server’s')}
          </span>
        </p>
      )}
      {!up && (
        <p role="status" className="flex shrink-0 items-center gap-2 px-4 font-bold text-butter">
          <CloudOff aria-hidden /> {say('Server away')}
        </p>
      )}
    </header>
  );
}

/** px a ticket is still read at, and between two of them. */
const LEAST = 232;
const GAP = 8;

/** How many tickets stand side by side whole; null until it is known. */
function useFits() {
  const row = useRef<HTMLUListElement>(null);
  const [fits, setFits] = useState<number | null>(null);
  useEffect(() => {
    const list = row.current;
    if (!list) return;
    const watch = new ResizeObserver(([entry]) => {
      const width = entry?.contentRect.width ?? 0;
      setFits(Math.max(1, Math.floor((width + GAP) / (LEAST + GAP))));
    });
    watch.observe(list);
    return () => watch.disconnect();
  }, []);
  return { row, fits };
}

const theOutbox = () => insisting(() => import('../../device/outbox'));

/** A timer past its time: it counts on until a knuckle stops it. */
function Ringing({ timer, batch, now }: { timer: Timer; batch: string; now: number }) {
  const say = useSay();
  return (
    <button
      type="button"
      onClick={() =>
        void theOutbox().then((o) => {
          o.beginOutbox();
          o.tap(batch, { kind: 'timer-stopped', timer: timer.id });
        })
      }
      className="flex h-14 items-center gap-3 rounded-b-sm border-2 border-butter bg-tomato px-3 font-bold text-surface"
    >
      <BellRing aria-hidden />
      <span className="text-left leading-tight">
        <span className="block max-w-36 truncate">{timer.name}</span>
        <span className="figures">{countdown((timer.endsAt - now) / 1000)}</span>
      </span>
      {say('Stop')}
    </button>
  );
}
