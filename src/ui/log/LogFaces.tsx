'use client';

import { message } from '../../core/message/message';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { segment } from '../shared/styles';

const FACES = [
  { id: 'batches', href: '/log', words: message('Batches') },
  { id: 'knows', href: '/log/knows', words: message('What the house knows') },
  { id: 'predicts', href: '/log/predicts', words: message('How well it predicts') },
  { id: 'week', href: '/log/week', words: message('Week') },
  { id: 'given', href: '/log/given', words: message('Given out') },
] as const;
export type LogFace = (typeof FACES)[number]['id'];

/** The faces of the log, side by side. */
export function LogFaces({ here }: { readonly here: LogFace }) {
  const say = useSay();
  return (
    <nav
      aria-label={say('Faces of the log')}
      className="flex max-w-full shrink-0 flex-wrap overflow-hidden rounded-sm border-2 border-ink"
    >
      {FACES.map((f) => (
        <Link
          key={f.id}
          href={f.href}
          aria-current={f.id === here ? 'page' : undefined}
          className={`flex items-center max-[720px]:px-2 max-[720px]:text-[15px] ${segment(f.id === here)}`}
        >
          {say(f.words)}
        </Link>
      ))}
    </nav>
  );
}
