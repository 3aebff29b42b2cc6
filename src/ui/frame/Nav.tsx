'use client';

import { clsx } from 'clsx';
import { CircleHelp, CircleUserRound } from 'lucide-react';
import { usePathname } from 'next/navigation';
import { Suspense, useState } from 'react';
import { useRole } from '../device/useRole';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { lazily } from '../shared/lazily';
import { useShortcutSheet } from './keys/Shortcuts';
import { BEHIND, placeOf, VIEWS, type View } from './views';

/** Loaded when first asked for. */
const StationSheet = lazily(async () => (await import('./StationSheet')).StationSheet);

const cell =
  'flex min-h-18 min-w-20 flex-col items-center justify-center gap-1 text-center text-[16px] leading-tight max-[720px]:min-h-16 max-[720px]:min-w-0 max-[720px]:flex-1 max-[720px]:text-[14px]';

/**
 * The views in the order of the day, the house's papers below the line, and what is this screen's own. Five places
 * on a phone, the rest behind the last.
 */
export function Nav({ roles }: { roles: readonly string[] }) {
  const say = useSay();
  const path = usePathname();
  const [role] = useRole();
  const [open, setOpen] = useState(false);
  const openKeys = useShortcutSheet();
  const here = placeOf(path);
  const place = ({ href, name, icon: Icon }: View) => (
    <Link
      key={href}
      href={href}
      aria-current={href === here ? 'page' : undefined}
      className={clsx(
        cell,
        href === here ? 'bg-ink text-surface' : 'text-ink',
        BEHIND.has(href) && 'max-[720px]:hidden',
      )}
    >
      <Icon size={30} aria-hidden />
      {say(name)}
    </Link>
  );
  return (
    <nav
      aria-label={say('Views')}
      className="flex shrink-0 border-ink bg-surface print:hidden max-[720px]:border-t-2 min-[720px]:w-23 min-[720px]:flex-col min-[720px]:border-r-2"
    >
      {VIEWS.filter((v) => v.place === 'day').map(place)}
      <span className="flex-1 border-ink max-[720px]:hidden min-[720px]:border-b-2" />
      {VIEWS.filter((v) => v.place === 'below').map(place)}
      <Link
        href={`/help#${path.split('/')[1] ?? ''}`}
        aria-current={path === '/help' ? 'page' : undefined}
        className={clsx(
          cell,
          'max-[720px]:hidden [@media(max-height:836px)]:hidden',
          path === '/help' && 'bg-ink text-surface',
        )}
      >
        <CircleHelp size={28} aria-hidden />
        {say('What is this?')}
      </Link>
      <button
        type="button"
        onClick={() => setOpen(true)}
        aria-label={role ? say('More: this screen, {role}', { role }) : say('More: this screen')}
        className={clsx(cell, 'border-ink min-[720px]:border-t-2')}
      >
        <CircleUserRound size={28} aria-hidden />
        <span className="max-w-full truncate px-1">{say('More')}</span>
      </button>
      <Suspense>
        {open && <StationSheet roles={roles} onKeys={openKeys} onClose={() => setOpen(false)} />}
      </Suspense>
    </nav>
  );
}
