'use client';

import { clsx } from 'clsx';
import { CookingPot, Droplets, Wrench } from 'lucide-react';
import { usePathname } from 'next/navigation';
import { message } from '../../core/message/message';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';

const FACES = [
  { at: '/stove', words: message('Step'), icon: CookingPot },
  { at: '/check', words: message('Check'), icon: Droplets },
  { at: '/fix', words: message('Fix'), icon: Wrench },
] as const;

/** The three faces of one batch: its step, how thick it is, what is wrong. None asks again which pot; of no pot there is only the test. */
export function Faces({ batchId }: { batchId: string | null }) {
  const say = useSay();
  const path = usePathname();
  return (
    <nav
      aria-label={say('Of this pot')}
      className="flex w-full shrink-0 overflow-hidden rounded-sm border-2 border-ink bg-surface"
    >
      {FACES.map(({ at, words, icon: Icon }) => {
        const here = path.startsWith(at);
        const href = batchId === null ? at : at === '/stove' ? `/stove/${batchId}` : `${at}?batch=${batchId}`;
        return (
          <Link
            key={at}
            href={href}
            aria-current={here ? 'page' : undefined}
            className={clsx(
              'flex min-h-12 min-w-20 flex-1 items-center justify-center gap-1.5 px-1 font-bold',
              here ? 'bg-ink text-surface' : 'text-ink',
            )}
          >
            <Icon size={20} aria-hidden className="shrink-0" />
            {say(words)}
          </Link>
        );
      })}
    </nav>
  );
}
