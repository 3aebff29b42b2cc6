'use client';

import { TriangleAlert } from 'lucide-react';
import type { DatedNotice } from '../../contract/log';
import { noticedWords } from '../../core/log/numberWords';
import { shortDay } from '../../core/service/words/dayWords';
import { useNow } from '../device/useNow';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';

/** Changes older than this, ms, are for the history of their number. */
const RECENT = 45 * 86_400_000;

/** Changes that readings show, the newest first: what, since when, what to look at. */
export function Noticing({
  noticed,
  names,
}: {
  readonly noticed: readonly DatedNotice[];
  readonly names: Readonly<Record<string, string>>;
}) {
  const say = useSay();
  const now = useNow();
  const recent = noticed.filter((n) => now !== null && now - Date.parse(n.since) < RECENT).toReversed();
  if (recent.length === 0) return null;
  return (
    <ul className="mt-1 grid">
      {recent.slice(0, 2).map((n) => (
        <li key={`${n.key} ${n.since}`}>
          <Link
            href={`/log/knows?key=${encodeURIComponent(n.key)}`}
            className="flex min-h-12 items-center gap-2 text-[18px] leading-tight hover:bg-butter/25"
          >
            <TriangleAlert size={22} aria-hidden className="shrink-0 text-tomato" />
            <span className="underline decoration-butter decoration-4 underline-offset-4">
              {say(noticedWords(n, names[n.key] ?? n.key, shortDay(n.day)))}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
