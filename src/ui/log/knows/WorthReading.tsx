'use client';

import type { WorthReading as Worth } from '../../../core/learn/own/worth';
import { useSay } from '../../shared/hooks/useSay';

type Props = { readonly worth: readonly Worth[]; readonly soups: Readonly<Record<string, string>> };

/** What to read next, for most: by how much the next bracket of that soup shrinks. */
export function WorthReading({ worth, soups }: Props) {
  const say = useSay();
  const here = worth.filter((w) => w.after < 0.985 * w.now);
  if (here.length === 0) return null;
  return (
    <section>
      <h2 className="font-bold text-[21px]">{say('Worth reading next')}</h2>
      <ul>
        {here.map((w) => (
          <li key={w.batch} className="border-rule border-b py-2 text-[18px]">
            {say(
              '{what, select, cup {A flow test} ruler {A ruler at the wall} other {A probe on the way up}} in {soup}: the bracket of the next one shrinks by {percent} %.',
              {
                what: w.what,
                soup: soups[w.batch] ?? say('that soup'),
                percent: Math.round((1 - w.after / w.now) * 100),
              },
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
