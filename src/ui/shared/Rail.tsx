'use client';

import { clsx } from 'clsx';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Ticket } from '../../core/batch/ticket';
import { countdown } from '../../core/units/clock';
import { degrees, inDegrees } from '../../core/units/show';
import { onRailChange } from './railChange';
import { useNow } from './useNow';
import { useShow } from './useShow';

const EVERY = 10_000;

/** One ticket per live pot; the same on every view. */
export function Rail({ initial }: { initial: readonly Ticket[] }) {
  const [tickets, setTickets] = useState(initial);
  const [reached, setReached] = useState(true);
  const path = usePathname();
  const show = useShow();
  const now = useNow();

  useEffect(() => {
    let live = true;
    const refresh = async () => {
      const response = await fetch('/api/rail').catch(() => null);
      if (!live) return;
      setReached(response?.ok ?? false);
      if (response?.ok) setTickets(await response.json());
    };
    const timer = setInterval(refresh, EVERY);
    const stop = onRailChange(refresh);
    return () => {
      live = false;
      clearInterval(timer);
      stop();
    };
  }, []);

  return (
    <header className="flex h-16 shrink-0 items-stretch bg-rail text-on-rail print:hidden">
      <p className="flex w-23 shrink-0 items-center justify-center font-bold text-[20px] min-[720px]:w-36">
        Panache
      </p>
      <ul aria-label="Pots on the stove" className="flex min-w-0 flex-1 gap-2 overflow-x-auto pb-2">
        {tickets.map((t) => {
          const left = now === null ? null : (new Date(t.until).getTime() - now) / 1000;
          const here = path === `/stove/${t.id}`;
          return (
            <li key={t.id} className="shrink-0">
              <Link
                href={`/stove/${t.id}`}
                aria-current={here ? 'page' : undefined}
                className={clsx(
                  'relative flex h-14 items-center gap-4 rounded-b-sm px-3',
                  left !== null && left < 0 ? 'bg-butter text-on-butter' : 'bg-surface text-ink',
                  here && 'underline decoration-2 underline-offset-4',
                )}
              >
                <span className="max-w-56">
                  <span className="block truncate font-bold leading-tight">{t.name}</span>
                  <span className="block truncate text-[15px] leading-tight">
                    {inDegrees(t.doing, show)}, {degrees(t.celsius, show)}
                  </span>
                </span>
                <span className="figures font-bold text-[27px]">
                  {left === null ? '··:··' : countdown(left)}
                  {left !== null && left < 0 && <span className="sr-only"> over</span>}
                </span>
              </Link>
            </li>
          );
        })}
      </ul>
      {!reached && (
        <p role="status" className="flex items-center px-4 font-bold text-butter">
          No connection
        </p>
      )}
    </header>
  );
}
