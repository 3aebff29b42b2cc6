'use client';

import { clsx } from 'clsx';
import { Keyboard, Moon, Sun } from 'lucide-react';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useSay } from '../shared/useSay';
import { useTheme } from '../shared/useTheme';
import { useShortcutSheet } from './Shortcuts';
import { VIEWS } from './views';

const cell =
  'flex min-h-18 min-w-20 flex-col items-center justify-center gap-1 text-center text-[16px] leading-tight max-[720px]:min-h-16 max-[720px]:min-w-0 max-[720px]:flex-1 max-[720px]:wrap-anywhere max-[720px]:text-[13px]';

export function Nav() {
  const say = useSay();
  const path = usePathname();
  const [theme, toggleTheme] = useTheme();
  const openSheet = useShortcutSheet();
  return (
    <nav
      aria-label={say('Views')}
      className="flex shrink-0 border-ink bg-surface print:hidden max-[720px]:border-t-2 min-[720px]:w-23 min-[720px]:flex-col min-[720px]:border-r-2"
    >
      {VIEWS.map(({ href, name, icon: Icon }) => {
        const here = path.startsWith(href);
        return (
          <Link
            key={href}
            href={href}
            aria-current={here ? 'page' : undefined}
            className={clsx(cell, here ? 'bg-ink text-surface' : 'text-ink')}
          >
            <Icon size={30} aria-hidden />
            {say(name)}
          </Link>
        );
      })}
      <span className="flex-1 max-[720px]:hidden" />
      <button type="button" onClick={toggleTheme} className={cell}>
        {theme === 'dim' ? <Sun size={26} aria-hidden /> : <Moon size={26} aria-hidden />}
        {theme === 'dim' ? say('Light') : say('Dim')}
      </button>
      <button type="button" onClick={openSheet} className={clsx(cell, 'max-[720px]:hidden')}>
        <Keyboard size={26} aria-hidden />
        {say('Keys')}
      </button>
    </nav>
  );
}
