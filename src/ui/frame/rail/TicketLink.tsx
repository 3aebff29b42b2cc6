'use client';

import { clsx } from 'clsx';
import { BellRing, Hourglass, Snowflake, TriangleAlert } from 'lucide-react';
import type { Ticket } from '../../../core/batch/ticket';
import { message } from '../../../core/message/message';
import { countdown } from '../../../core/units/clock';
import { degrees } from '../../../core/units/shown/show';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import { Link } from '../../shared/Link';
import { urgencyOf } from './urgent';

/** What a ticket says of a pot that wants somebody: a word and a shape. */
const URGENT = {
  rings: { words: message('rings'), icon: BellRing },
  cold: { words: message('too cold'), icon: Snowflake },
  trouble: { words: message('look here'), icon: TriangleAlert },
  late: { words: message('late'), icon: Hourglass },
} as const;

/** A pot on the stove: what it is, what is happening, how hot, and how long still. */
export function TicketLink({ ticket: t, here, now }: { ticket: Ticket; here: boolean; now: number | null }) {
  const say = useSay();
  const show = useShow();
  const left = now === null ? null : (Date.parse(t.until) - now) / 1000;
  const urgency = now === null ? null : urgencyOf(t, now);
  const sign = urgency && URGENT[urgency];
  const soonest = t.timers
    .toSorted((a, b) => a.endsAt - b.endsAt)
    .find((x) => now === null || x.endsAt > now);
  return (
    <Link
      href={t.kept ? `/keep?lot=${t.id}` : `/stove/${t.id}`}
      aria-current={here ? 'page' : undefined}
      className={clsx(
        'relative flex h-14 items-center gap-3 rounded-b-sm px-3',
        urgency ? 'bg-butter text-on-butter' : 'bg-surface text-ink',
        here && 'underline decoration-2 underline-offset-4',
      )}
    >
      <span className="min-w-0 flex-1">
        <span className="block truncate font-bold leading-tight">{t.name}</span>
        <span className="flex gap-2 text-[15px] leading-tight">
          <span className="min-w-0 truncate">{t.trouble ? say(t.trouble) : say.either(t.doing)}</span>
          <b className="shrink-0">
            {t.by === 'reading' ? '' : '≈ '}
            {degrees(t.celsius, show)}
            {t.by !== 'reading' && (
              <span className="sr-only">
                {' '}
                {say('by the {by, select, reading {reading} model {model} other {plan}}', { by: t.by })}
              </span>
            )}
          </b>
        </span>
      </span>
      {soonest && (
        <span className="shrink-0 border-current border-l-2 pl-2 text-[15px] leading-tight">
          <span className="block max-w-16 truncate">{soonest.name}</span>
          <b className="figures text-[18px]">
            {now === null ? '··:··' : countdown((soonest.endsAt - now) / 1000)}
          </b>
        </span>
      )}
      <span className="figures shrink-0 text-right font-bold text-[27px] leading-none">
        {left === null ? '··:··' : countdown(left)}
        {sign && (
          <span className="mt-0.5 flex items-center justify-end gap-1 font-sans text-[15px] leading-none tracking-normal [word-spacing:normal]">
            <sign.icon size={15} aria-hidden className="shrink-0" />
            {say(sign.words)}
          </span>
        )}
      </span>
    </Link>
  );
}
